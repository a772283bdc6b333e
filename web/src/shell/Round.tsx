/** The round, in a line for each station: for whoever comes for the first time. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { t } from "../words";
import { StationDisc } from "./StationDisc";
import { STATIONS } from "./stations";

export const Round = ({ close }: { close: () => void }) => (
  <Dialog open onClose={close} aria-labelledby="round-title">
    <DialogTitle id="round-title">{t("shell.the round")}</DialogTitle>
    <DialogContent sx={{ display: "grid", gap: 1.5 }}>
      <Typography>{t("shell.what the round is")}</Typography>
      <RoundList />
      <Typography sx={{ fontSize: 14 }} color="text.secondary">
        {t("shell.found again under keys")}
      </Typography>
    </DialogContent>
    <DialogActions>
      <Button variant="contained" onClick={close}>
        {t("shell.go on")}
      </Button>
    </DialogActions>
  </Dialog>
);

/** Each station with its number, which is its key, and what is done there. */
export const RoundList = () => (
  <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none", display: "grid", gap: 1 }}>
    {STATIONS.map((station, i) => (
      <Box key={station.path} component="li" sx={{ display: "flex", gap: 1.5 }}>
        <StationDisc number={i + 1} here={false} filled />
        <Box>
          <strong>{t(station.name)}</strong>: {t(station.does)}
        </Box>
      </Box>
    ))}
  </Box>
);
