/** The clock, the counts, and the way on to the tape. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { FinishWords } from "../../places";
import { MainAction } from "../../shell/MainAction";
import { ink } from "../../theme";
import { t } from "../../words";
import { Counts } from "./Counts";
import { secondsOf, type useAttemptDraft, useNow } from "./useAttemptDraft";
import { toggleClock } from "./useDriveKeys";

interface Props {
  noting: ReturnType<typeof useAttemptDraft>;
  words: FinishWords;
  kerbed: boolean;
}

export const Counters = ({ noting, words, kerbed }: Props) => {
  const { draft, undo, again, keep } = noting;
  const running = draft.runningSince !== null;
  const seconds = Math.floor(secondsOf(draft, useNow(running)));
  const clock = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
  return (
    <Box sx={{ display: "grid", gap: 1.25, alignContent: "start" }}>
      <Paper sx={{ p: 2, display: "grid", gap: 1, justifyItems: "stretch" }}>
        <Typography
          role="timer"
          sx={{ fontSize: 48, fontWeight: 750, textAlign: "center", lineHeight: 1 }}
        >
          {clock}
        </Typography>
        <MainAction>
          <Button
            variant={running ? "outlined" : "contained"}
            size="large"
            sx={{ minHeight: 56, fontSize: 18 }}
            onClick={() => toggleClock(noting)}
          >
            {running
              ? t("drive.stop the clock")
              : draft.started
                ? t("drive.start again")
                : t("drive.start the clock")}
          </Button>
        </MainAction>
      </Paper>
      <Counts noting={noting} words={words} kerbed={kerbed} />
      {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
      <Button
        variant="contained"
        size="large"
        sx={{ minHeight: 56, fontSize: 18 }}
        loading={keep.isPending}
        disabled={draft.started === null}
        onClick={() => keep.mutate()}
      >
        {t("drive.done go and tape")}
      </Button>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button sx={{ minHeight: 44 }} disabled={!undo} onClick={() => undo?.()}>
          {t("drive.undo")}
        </Button>
        <Button sx={{ minHeight: 44 }} onClick={again}>
          {t("drive.start over")}
        </Button>
      </Box>
      <Typography sx={{ fontSize: 13, color: ink.soft }}>
        {t("drive.stop while anyone is near")}
      </Typography>
    </Box>
  );
};
