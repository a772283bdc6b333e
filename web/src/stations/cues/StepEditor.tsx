/** One step of a method: what is said, gear, wheel, what ends it, and the looks before it. */

import Box from "@mui/material/Box";
import Chip from "@mui/material/Chip";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import { type KeyboardEvent, useEffect, useState } from "react";
import type { MethodBody } from "../../api/types";
import { useVocabulary } from "../../shell/useVocabulary";
import { named, t } from "../../words";
import { Amount } from "./Amount";
import { Choice, type StepProps } from "./editing";
import { changeStep, eventsOf, newUntil, type Step, UNTILS } from "./methodSteps";
import { UntilFigures } from "./UntilFigures";

interface Props {
  body: MethodBody;
  index: number;
  edit: (body: MethodBody) => void;
}

export const StepEditor = ({ body, index, edit }: Props) => {
  const vocabulary = useVocabulary();
  const step = body.steps[index];
  if (!step) return null;
  const change = (part: Partial<Step>) => edit(changeStep(body, index, part));
  return (
    <>
      <Say say={step.say} change={(say) => change({ say })} />
      <Box sx={{ display: "flex", gap: 1 }}>
        <Choice
          label={t("cues.gear")}
          value={step.gear}
          choices={{ reverse: t("names.reverse"), forward: t("names.forward") }}
          choose={(gear) => change({ gear: gear as Step["gear"] })}
        />
        <Choice
          label={t("cues.wheel")}
          value={step.wheel.way}
          choices={{
            toward: t("cues.toward the kerb"),
            away: t("cues.away from it"),
            straight: t("names.straight"),
          }}
          choose={(way) => change({ wheel: { ...step.wheel, way: way as Step["wheel"]["way"] } })}
        />
      </Box>
      {step.wheel.way !== "straight" && <Amount body={body} step={step} change={change} />}
      <FormControlLabel
        sx={{ mx: 0, gap: 0.5 }}
        control={
          <Switch
            size="small"
            checked={step.standing}
            onChange={(_, standing) => change({ standing })}
          />
        }
        label={t("cues.wheel turned standing wears tyres")}
      />
      <Choice
        label={t("cues.until")}
        value={step.until.kind}
        choices={Object.fromEntries(
          eventsOf(vocabulary, body).map(({ kind }) => [kind, t(UNTILS[kind])]),
        )}
        choose={(kind) => change({ until: newUntil(vocabulary, body, kind) })}
      />
      <UntilFigures body={body} step={step} change={change} />
      <Looks looks={vocabulary.looks} step={step} change={change} />
    </>
  );
};

const Say = ({ say, change }: { say: string; change: (say: string) => void }) => {
  const [text, setText] = useState(say);
  useEffect(() => setText(say), [say]);
  const said = text.trim().replace(/\s+/g, " ");
  const commit = () => said && said !== say && change(said);
  // It takes the lines it needs; a call has none of its own.
  const key = (event: KeyboardEvent) => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    commit();
  };
  return (
    <TextField
      size="small"
      multiline
      label={t("cues.what is said")}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      onKeyDown={key}
    />
  );
};

interface LooksProps extends Pick<StepProps, "step" | "change"> {
  looks: Step["looks"];
}

const Looks = ({ looks, step, change }: LooksProps) => (
  <Box
    role="group"
    aria-label={t("cues.looks before it")}
    sx={{ display: "flex", gap: 0.5, flexWrap: "wrap" }}
  >
    {looks.map((look) => {
      const on = step.looks.includes(look);
      return (
        <Chip
          key={look}
          label={named(look)}
          aria-pressed={on}
          color={on ? "primary" : "default"}
          variant={on ? "filled" : "outlined"}
          onClick={() =>
            change({ looks: on ? step.looks.filter((l) => l !== look) : [...step.looks, look] })
          }
        />
      );
    })}
  </Box>
);
