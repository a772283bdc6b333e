/** Every key there is, and the switch that turns single ones off. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import { t } from "../words";
import { RoundList } from "./Round";
import { STATIONS } from "./stations";

interface Props {
  on: boolean;
  setOn: (on: boolean) => void;
  close: () => void;
}

export const Keys = ({ on, setOn, close }: Props) => {
  const everywhere: [string, string][] = [
    [`1–${STATIONS.length}`, t("shell.the stations")],
    ["?", t("shell.these keys")],
    ["Esc", t("shell.leave what has the focus")],
  ];
  const drive: [string, string][] = [
    [t("shell.space"), t("shell.clock on and off")],
    ["← ↓ →", t("shell.early on late")],
    ["D L M P", t("shell.look done late missed prompted")],
    ["H", t("shell.step was prompted")],
    ["PgUp PgDn", t("shell.the step before or after")],
    ["U", t("shell.undo")],
  ];
  return (
    <Dialog open onClose={close} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">{t("shell.keys")}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1.5 }}>
        <Typography>{t("shell.keys act while")}</Typography>
        <FormControlLabel
          control={<Switch checked={on} onChange={(_, checked) => setOn(checked)} />}
          label={t("shell.single keys")}
        />
        <Typography variant="h3">{t("shell.the round")}</Typography>
        <RoundList />
        <List title={t("shell.everywhere")} keys={everywhere} />
        <List title={t("shell.drive")} keys={drive} />
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>{t("cues.close")}</Button>
      </DialogActions>
    </Dialog>
  );
};

const List = ({ title, keys }: { title: string; keys: [string, string][] }) => (
  <Box component="section">
    <Typography variant="h3">{title}</Typography>
    <Box component="dl" sx={{ m: 0, display: "grid", gridTemplateColumns: "110px 1fr", gap: 0.5 }}>
      {keys.map(([key, does]) => (
        <Box key={key} sx={{ display: "contents" }}>
          <Box component="dt" sx={{ fontWeight: 700 }}>
            {key}
          </Box>
          <Box component="dd" sx={{ m: 0 }}>
            {does}
          </Box>
        </Box>
      ))}
    </Box>
  </Box>
);
