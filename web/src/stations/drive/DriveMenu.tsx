/** How one drives, and what is seldom wanted: options, the lock, beginning again. */

import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import { type ReactNode, useId, useState } from "react";
import { ink } from "../../theme";
import { t } from "../../words";
import { canSpeak } from "./device";
import type { useDriveOptions } from "./useDriveOptions";

interface Props extends ReturnType<typeof useDriveOptions> {
  /** Whether the standard gives a time to count down from. */
  timed: boolean;
  lock: () => void;
  again: () => void;
  /** Counts, and what was noted so far, where there is no room for them beside the step. */
  children: ReactNode;
}

export const DriveMenu = ({ options, choose, timed, lock, again, children }: Props) => {
  const [open, setOpen] = useState(false);
  const title = useId();
  const close = () => setOpen(false);
  const option = (label: string, checked: boolean, set: (on: boolean) => void) => (
    <FormControlLabel
      control={<Switch checked={checked} onChange={(_, on) => set(on)} />}
      label={label}
      sx={{ minHeight: 44 }}
    />
  );
  return (
    <>
      <Button
        aria-haspopup="dialog"
        aria-label={t("drive.more about driving")}
        onClick={() => setOpen(true)}
        sx={{ minHeight: 52, minWidth: 44, px: 0, fontSize: 20 }}
      >
        ⋯
      </Button>
      <Dialog open={open} onClose={close} aria-labelledby={title} fullWidth>
        <DialogTitle id={title}>{t("drive.more about driving")}</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 1, alignContent: "start" }}>
          {children}
          {option(t("drive.starts by rule"), options.starts === "chosen", (on) =>
            choose({ starts: on ? "chosen" : "by hand" }),
          )}
          {timed &&
            option(t("drive.counts down"), options.counts === "down", (on) =>
              choose({ counts: on ? "down" : "up" }),
            )}
          {canSpeak && option(t("drive.speaks"), options.speaks, (speaks) => choose({ speaks }))}
          {option(t("drive.buzzes"), options.buzzes, (buzzes) => choose({ buzzes }))}
          <Typography sx={{ fontSize: 13, color: ink.soft }}>
            {t("drive.stop while anyone is near")}
          </Typography>
        </DialogContent>
        <DialogActions sx={{ flexWrap: "wrap" }}>
          <Button
            sx={{ minHeight: 44 }}
            onClick={() => {
              again();
              close();
            }}
          >
            {t("drive.start over")}
          </Button>
          <Button
            sx={{ minHeight: 44 }}
            onClick={() => {
              lock();
              close();
            }}
          >
            {t("drive.lock the screen")}
          </Button>
          <Button variant="contained" sx={{ minHeight: 44 }} onClick={close}>
            {t("cues.close")}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
};
