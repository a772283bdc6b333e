/** The clock: up, or down from the standard's time, and what starts and ends it. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import type { Sheet } from "../../api/types";
import { ink } from "../../theme";
import { t } from "../../words";
import { secondsOf, useNow } from "./useAttemptDraft";
import { type Noting, toggleClock } from "./useDriveKeys";
import type { DriveOptions } from "./useDriveOptions";

/** Seconds that the standard gives at most; null where it gives none. */
export const timeGiven = (sheet: Sheet): number | null => {
  const limits = sheet.standard.body.limits.filter(({ measure }) => measure === "seconds");
  const most = limits.flatMap(({ small, serious, ends }) =>
    [small, serious, ends].flatMap((range) => range?.[1] ?? []),
  );
  return most.length ? Math.min(...most) : null;
};

const written = (seconds: number) => {
  const whole = Math.abs(Math.floor(seconds));
  const sign = seconds < 0 ? "−" : "";
  return `${sign}${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
};

interface Props {
  sheet: Sheet;
  noting: Noting;
  options: DriveOptions;
  done: () => void;
  children: ReactNode;
}

export const Clock = ({ sheet, noting, options, done, children }: Props) => {
  const { draft, undo, keep } = noting;
  const running = draft.runningSince !== null;
  const run = secondsOf(draft, useNow(running));
  const given = options.counts === "down" ? timeGiven(sheet) : null;
  // Before that the card in hand has the start, as large as it gets.
  const starts = draft.started !== null || draft.card > 0 || options.starts !== "by hand";
  const shown = given === null ? Math.floor(run) : given - Math.floor(run);
  return (
    <Box sx={{ display: "flex", alignItems: "center", flexWrap: { md: "wrap" }, gap: 0.75 }}>
      <Box
        role="timer"
        sx={{
          fontSize: { xs: 30, md: 52 },
          fontWeight: 750,
          lineHeight: 1,
          minWidth: { xs: 74, md: "100%" },
          textAlign: { md: "center" },
          color: shown < 0 ? ink.coralText : undefined,
        }}
      >
        {written(shown)}
      </Box>
      {starts && (
        <Button
          variant={running ? "outlined" : "contained"}
          sx={main}
          aria-label={t(
            running
              ? "drive.stop the clock"
              : draft.started
                ? "drive.start again"
                : "drive.start the clock",
          )}
          onClick={() => toggleClock(noting)}
        >
          {t(running ? "drive.stop" : draft.started ? "drive.start again" : "drive.start")}
        </Button>
      )}
      <Button
        variant="contained"
        color="secondary"
        sx={main}
        aria-label={t("drive.done go and tape")}
        loading={keep.isPending}
        disabled={draft.started === null}
        onClick={done}
      >
        {t("drive.done")}
      </Button>
      <Button sx={{ ...main, flex: "none" }} disabled={!undo} onClick={() => undo?.()}>
        {t("drive.undo")}
      </Button>
      {children}
    </Box>
  );
};

const main = { minHeight: 52, minWidth: 0, flex: 1, px: 1, fontSize: 16 } as const;
