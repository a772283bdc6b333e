/** Acting at a call early or late, and what follows from it: played on the slab. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { useQuery } from "@tanstack/react-query";
import { memo } from "react";
import { playQuery, rescueQuery } from "../../api/queries";
import type {
  Call,
  Docket,
  GroundBody,
  MethodBody,
  Metres,
  PlanOptions,
  Played,
  Rescue,
} from "../../api/types";
import { type FinishWords, finishWords } from "../../places";
import { Panel } from "../../shell/Panel";
import { degrees, length, roughly, turns, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

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

const shiftOf = (by: Metres, units: Units) => {
  const figure = { by: length(Math.abs(by), units) };
  if (by === 0) return t("cues.on time");
  return by < 0 ? t("cues.so much early", figure) : t("cues.so much late", figure);
};

const ended = (played: Played, words: FinishWords, units: Units): string => {
  const { finish, breaks } = played;
  if (breaks.text) return t("cues.then", { text: breaks.text });
  const angle = degrees(Math.abs(finish.angle_deg ?? 0), 1);
  return t("cues.it ends", {
    front: length(finish.kerb_front_m, units),
    edge: words.edge,
    rear: length(finish.kerb_rear_m, units),
    angle,
  });
};

interface Props {
  call: Call;
  by: Metres;
  played: Played | null;
  ground: GroundBody;
  method: MethodBody;
  change: (by: Metres) => void;
  rescue: Rescue | null | undefined;
  saving: boolean;
  save: (wanted: boolean) => void;
}

export const PlayCall = memo((props: Props) => {
  const { call, by, played, ground, method, change } = props;
  const units = useUnits();
  return (
    <Panel
      label={t("cues.what if")}
      title={t("cues.what if call comes", { number: call.number })}
      beside={
        <Box component="strong" sx={{ color: by < 0 ? ink.ochre : by > 0 ? ink.plum : ink.ink }}>
          {shiftOf(by, units)}
        </Box>
      }
    >
      <Slider
        size="small"
        aria-label={t("cues.early or late")}
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
        {played ? ended(played, finishWords(ground.goal, method), units) : t("cues.move it to see")}
      </Box>
      {by !== 0 && <Saved {...props} />}
    </Panel>
  );
});

/** How to save the attempt from there, asked for by hand. */
const Saved = ({ by, rescue, saving, save }: Props) => {
  const units = useUnits();
  if (!saving)
    return (
      <Button size="small" variant="outlined" onClick={() => save(true)}>
        {t("cues.how to save it")}
      </Button>
    );
  if (rescue === undefined) return <Box role="status">{t("cues.looking for the least")}</Box>;
  if (rescue === null) return <Box>{t("cues.nothing saves it within")}</Box>;
  return (
    <Box aria-label={t("cues.how to save it")} component="section" sx={{ fontSize: 14 }}>
      {by > 0 && t("cues.noticed before the wheel moves", { by: length(by, units) })}{" "}
      <strong>{rescue.said.text}</strong>
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
