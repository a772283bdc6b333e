/** One step of a method: what is said, gear, wheel, what ends it, and the looks before it. */
import Box from "@mui/material/Box";
import Chip from "@mui/material/Chip";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import type { MethodBody } from "../../api/types";
import { useVocabulary } from "../../shell/useVocabulary";
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
          label="Gear"
          value={step.gear}
          choices={{ reverse: "reverse", forward: "forward" }}
          choose={(gear) => change({ gear: gear as Step["gear"] })}
        />
        <Choice
          label="Wheel"
          value={step.wheel.way}
          choices={{ toward: "toward the kerb", away: "away from it", straight: "straight" }}
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
        label="Wheel turned standing (wears tyres)"
      />
      <Choice
        label="Until"
        value={step.until.kind}
        choices={Object.fromEntries(
          eventsOf(vocabulary, body).map(({ kind }) => [kind, UNTILS[kind]]),
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
  const commit = () => text.trim() && text !== say && change(text.trim());
  return (
    <TextField
      size="small"
      label="What is said"
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === "Enter" && commit()}
    />
  );
};

interface LooksProps extends Pick<StepProps, "step" | "change"> {
  looks: Step["looks"];
}

const Looks = ({ looks, step, change }: LooksProps) => (
  <Box
    role="group"
    aria-label="Looks before it"
    sx={{ display: "flex", gap: 0.5, flexWrap: "wrap" }}
  >
    {looks.map((look) => {
      const on = step.looks.includes(look);
      return (
        <Chip
          key={look}
          label={look}
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
