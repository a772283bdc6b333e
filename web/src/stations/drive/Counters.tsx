/** The clock, the counts, and the way on to the tape. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { FinishWords } from "../../places";
import { ink } from "../../theme";
import { type Code, t } from "../../words";
import { type Draft, secondsOf, type useAttemptDraft, useNow } from "./useAttemptDraft";
import { toggleClock } from "./useDriveKeys";

const COUNTS: {
  name: keyof Draft & ("reverse" | "forward" | "kerb" | "mount" | "vehicle");
  label: Code;
}[] = [
  { name: "reverse", label: "drive.reverse movements" },
  { name: "forward", label: "drive.forward movements" },
  { name: "kerb", label: "drive.kerb touched" },
  { name: "mount", label: "drive.kerb mounted" },
  { name: "vehicle", label: "drive.vehicle touched" },
];

interface Props {
  noting: ReturnType<typeof useAttemptDraft>;
  words: FinishWords;
  kerbed: boolean;
}

/** What is counted here: in a bay there is no kerb to mount. */
const countsAt = (words: FinishWords, kerbed: boolean) =>
  COUNTS.filter(({ name }) => name !== "mount" || kerbed).map(({ name, label }) => ({
    name,
    label: name === "kerb" ? words.kerb_touches : t(label),
  }));

export const Counters = ({ noting, words, kerbed }: Props) => {
  const { draft, change, undo, again, keep } = noting;
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
      </Paper>
      <Paper sx={{ p: 1.25, display: "grid", gap: 0.5 }}>
        {countsAt(words, kerbed).map(({ name, label }) => (
          <Box key={name} sx={{ display: "flex", alignItems: "center" }}>
            <Box sx={{ flex: 1, fontSize: 15 }}>{label}</Box>
            <Button
              aria-label={t("drive.one less", { label })}
              disabled={draft[name] === 0}
              onClick={() => change({ [name]: draft[name] - 1 })}
              sx={{ minWidth: 44, minHeight: 44, fontSize: 20 }}
            >
              −
            </Button>
            <Box sx={{ width: 28, textAlign: "center", fontSize: 18, fontWeight: 700 }}>
              {draft[name]}
            </Box>
            <Button
              aria-label={t("drive.one more", { label })}
              onClick={() => change({ [name]: draft[name] + 1 })}
              sx={{ minWidth: 44, minHeight: 44, fontSize: 20 }}
            >
              +
            </Button>
          </Box>
        ))}
      </Paper>
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
