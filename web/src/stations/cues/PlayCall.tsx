/** Acting at a call early or late, and what follows from it: played on the slab. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Slider from "@mui/material/Slider";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { playQuery, rescueQuery } from "../../api/queries";
import type { Call, Docket, Metres, PlanOptions, Played, Rescue } from "../../api/types";
import type { FinishWords } from "../../places";
import { degrees, length, roughly, turns, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

/** The plan driven with one call displaced; nothing while it comes on time. */
export const usePlayed = (docket: Docket, options: PlanOptions, call: number, by: Metres) => {
  const played = useQuery({
    ...playQuery(docket, options, call, by),
    // What stands while the next figure is worked out is of the same call, never of another.
    placeholderData: (before, query) => {
      const asked = query?.queryKey[1];
      return typeof asked === "object" && asked.call === call ? before : undefined;
    },
  });
  return by === 0 ? null : (played.data ?? null);
};

/** How it is saved: undefined while nobody asked or it is being looked for, null where not. */
export const useRescue = (
  docket: Docket,
  options: PlanOptions,
  call: number,
  by: Metres,
  wanted: boolean,
) => useQuery(rescueQuery(docket, options, call, by, wanted)).data;

const shiftOf = (by: Metres, units: Units) =>
  by === 0 ? "on time" : `${length(Math.abs(by), units)} ${by < 0 ? "early" : "late"}`;

const ended = (played: Played, words: FinishWords, units: Units): string => {
  const { finish, breaks } = played;
  if (breaks.text) return `Then ${breaks.text}.`;
  const angle = degrees(Math.abs(finish.angle_deg ?? 0), 1);
  return `It ends ${length(finish.kerb_front_m, units)} from the ${words.edge} in front, ${length(finish.kerb_rear_m, units)} behind, ${angle} off parallel.`;
};

interface Props {
  call: Call;
  by: Metres;
  played: Played | null;
  words: FinishWords;
  change: (by: Metres) => void;
  rescue: Rescue | null | undefined;
  saving: boolean;
  save: (wanted: boolean) => void;
}

const CURES: Record<Rescue["cure"], string> = {
  "drive on": "Nothing is broken: drive on.",
  "less wheel": "Take less wheel and drive on:",
  "more wheel": "Take more wheel and drive on:",
  "ease off": "Ease the wheel off, roll on, take it again:",
  "pull forward": "Stop in time and pull the other way:",
};

export const PlayCall = (props: Props) => {
  const { call, by, played, words, change } = props;
  const units = useUnits();
  return (
    <Paper component="section" aria-label="What if" sx={{ p: 1.5, flexShrink: 0 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline" }}>
        <Typography variant="h2">What if call {call.number} comes…</Typography>
        <Box component="strong" sx={{ color: by < 0 ? ink.ochre : by > 0 ? ink.plum : ink.ink }}>
          {shiftOf(by, units)}
        </Box>
      </Box>
      <Slider
        size="small"
        aria-label="Early or late"
        value={by}
        min={-1}
        max={1}
        step={0.05}
        marks={[{ value: 0 }]}
        track={false}
        getAriaValueText={(value) => shiftOf(value, units)}
        onChange={(_, value) => change(value)}
        sx={{ py: 1.2, display: "block", "& .MuiSlider-thumb": { width: 20, height: 20 } }}
      />
      <Box role="status" sx={{ fontSize: 14, minHeight: 42 }}>
        {played
          ? ended(played, words, units)
          : "Move it to see on the plan what follows, the later calls reacting."}
      </Box>
      {by !== 0 && <Saved {...props} />}
    </Paper>
  );
};

/** How to save the attempt from there, asked for by hand. */
const Saved = ({ by, rescue, saving, save }: Props) => {
  const units = useUnits();
  if (!saving)
    return (
      <Button size="small" variant="outlined" onClick={() => save(true)}>
        How to save it
      </Button>
    );
  if (rescue === undefined) return <Box role="status">Looking for the least that saves it…</Box>;
  if (rescue === null)
    return <Box>Nothing saves it within the movements allowed: stop, and begin again.</Box>;
  return (
    <Box aria-label="How to save it" component="section" sx={{ fontSize: 14 }}>
      {by > 0 && `Noticed before the wheel moves: roll back ${length(by, units)}. Else: `}
      <strong>{CURES[rescue.cure]}</strong>
      {rescue.cure !== "drive on" && (
        <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
          {rescue.steps.map((step, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a step has no other name than its place
            <li key={i}>
              {step.say.text}
              {step.turns !== 0 && `, ${turns(step.turns)}`}:{" "}
              <strong>{roughly(step.metres, units)}</strong>
            </li>
          ))}
        </Box>
      )}
    </Box>
  );
};
