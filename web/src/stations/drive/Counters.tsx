/** The clock, the counts, and the way on to the tape. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { FinishWords } from "../../places";
import { ink } from "../../theme";
import { type Draft, secondsOf, type useAttemptDraft, useNow } from "./useAttemptDraft";
import { toggleClock } from "./useDriveKeys";

const COUNTS: {
  name: keyof Draft & ("reverse" | "forward" | "kerb" | "mount" | "vehicle");
  label: string;
}[] = [
  { name: "reverse", label: "Reverse movements" },
  { name: "forward", label: "Forward movements" },
  { name: "kerb", label: "Kerb touched" },
  { name: "mount", label: "Kerb mounted" },
  { name: "vehicle", label: "Vehicle touched" },
];

interface Props {
  noting: ReturnType<typeof useAttemptDraft>;
  words: FinishWords;
  kerbed: boolean;
}

/** What is counted here: in a bay there is no kerb to mount. */
const countsAt = (words: FinishWords, kerbed: boolean) =>
  COUNTS.filter(({ name }) => name !== "mount" || kerbed).map((count) =>
    count.name === "kerb" ? { ...count, label: words.kerb_touches } : count,
  );

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
          {running ? "Stop the clock" : draft.started ? "Start again" : "Start the clock"}
        </Button>
      </Paper>
      <Paper sx={{ p: 1.25, display: "grid", gap: 0.5 }}>
        {countsAt(words, kerbed).map(({ name, label }) => (
          <Box key={name} sx={{ display: "flex", alignItems: "center" }}>
            <Box sx={{ flex: 1, fontSize: 15 }}>{label}</Box>
            <Button
              aria-label={`${label}: one less`}
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
              aria-label={`${label}: one more`}
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
        Done: go and tape
      </Button>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button sx={{ minHeight: 44 }} disabled={!undo} onClick={() => undo?.()}>
          Undo
        </Button>
        <Button sx={{ minHeight: 44 }} onClick={again}>
          Start over
        </Button>
      </Box>
      <Typography sx={{ fontSize: 13, color: ink.soft }}>
        Stop while anyone is near. Nobody stands behind a reversing vehicle; no tablet in the
        driver's hands. Keys: space clock, ← ↓ → early on late, D L M P looks.
      </Typography>
    </Box>
  );
};
