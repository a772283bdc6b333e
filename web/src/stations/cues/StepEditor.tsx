/** One step of a school: what is said, gear, wheel, what ends it, and the looks before it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import type { FitAngle, FitMetres, FitShare, MethodBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import {
  changeStep,
  fittedAmount,
  fittedAngle,
  fittedMetres,
  isFitted,
  LOOKS,
  landmarksOf,
  newUntil,
  OWN_POINTS,
  type Step,
  UNTILS,
} from "./methodSteps";

interface Props {
  body: MethodBody;
  index: number;
  edit: (body: MethodBody) => void;
}

export const StepEditor = ({ body, index, edit }: Props) => {
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
      {step.wheel.way !== "straight" && (
        <Fitted
          fitted={isFitted(step.wheel.of_lock)}
          fit={() => change({ wheel: { ...step.wheel, of_lock: fittedAmount(body) } })}
          fix={() =>
            change({ wheel: { ...step.wheel, of_lock: (step.wheel.of_lock as FitShare).prefer } })
          }
          what="Amount"
        >
          <NumberField
            label="% of lock"
            value={Math.round((step.wheel.of_lock as number) * 100)}
            onCommit={(percent) => change({ wheel: { ...step.wheel, of_lock: percent / 100 } })}
          />
        </Fitted>
      )}
      <Choice
        label="Until"
        value={step.until.kind}
        choices={UNTILS}
        choose={(kind) => change({ until: newUntil(body, kind) })}
      />
      <UntilFigures body={body} step={step} change={change} />
      <Looks step={step} change={change} />
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

interface ChoiceProps {
  label: string;
  value: string;
  choices: Record<string, string>;
  choose: (value: string) => void;
}

const Choice = ({ label, value, choices, choose }: ChoiceProps) => (
  <TextField
    select
    size="small"
    label={label}
    value={value}
    onChange={(e) => choose(e.target.value)}
    sx={{ flex: 1, minWidth: 0 }}
  >
    {Object.entries(choices).map(([key, said]) => (
      <MenuItem key={key} value={key} sx={{ minHeight: 44 }}>
        {said}
      </MenuItem>
    ))}
  </TextField>
);

const same = (names: readonly string[]) => Object.fromEntries(names.map((name) => [name, name]));

interface FittedProps {
  what: string;
  fitted: boolean;
  fit: () => void;
  fix: () => void;
  children: React.ReactNode;
}

/** A figure that the fit finds for each vehicle, or one that the school has fixed. */
const Fitted = ({ what, fitted, fit, fix, children }: FittedProps) => (
  <Box sx={{ display: "flex", gap: 1, alignItems: "center", fontSize: 14 }}>
    {fitted ? <Box sx={{ flex: 1 }}>{what}: fitted to the vehicle</Box> : children}
    <Button size="small" onClick={fitted ? fix : fit}>
      {fitted ? "Fix it" : "Leave it to the fit"}
    </Button>
  </Box>
);

interface FiguresProps {
  body: MethodBody;
  step: Step;
  change: (part: Partial<Step>) => void;
}

const UntilFigures = ({ body, step, change }: FiguresProps) => {
  const { until } = step;
  const set = (part: Partial<Step["until"]>) => change({ until: { ...until, ...part } });
  return (
    <>
      {until.own !== undefined && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <Choice
            label="Own point"
            value={until.own}
            choices={same(OWN_POINTS)}
            choose={(own) => set({ own })}
          />
          {until.landmark !== undefined && (
            <Choice
              label="Landmark"
              value={until.landmark}
              choices={same(landmarksOf(body))}
              choose={(landmark) => set({ landmark })}
            />
          )}
        </Box>
      )}
      {until.kind === "heading" && (
        <Fitted
          what="Angle"
          fitted={isFitted(until.angle)}
          fit={() => set({ angle: fittedAngle(body) })}
          fix={() => set({ angle: (until.angle as FitAngle).prefer_deg })}
        >
          <NumberField
            label="Degrees"
            value={until.angle as number}
            onCommit={(angle) => set({ angle })}
          />
        </Fitted>
      )}
      {until.metres !== undefined && (
        <Fitted
          what="Place"
          fitted={isFitted(until.metres)}
          fit={() => set({ metres: fittedMetres(body, until.kind) })}
          fix={() => set({ metres: (until.metres as FitMetres).prefer_m })}
        >
          <LengthField
            label={until.kind === "travelled" ? "Rolled" : "Distance"}
            metres={until.metres as number}
            onCommit={(metres) => metres !== null && set({ metres })}
          />
        </Fitted>
      )}
    </>
  );
};

const Looks = ({ step, change }: Pick<FiguresProps, "step" | "change">) => (
  <Box
    role="group"
    aria-label="Looks before it"
    sx={{ display: "flex", gap: 0.5, flexWrap: "wrap" }}
  >
    {LOOKS.map((look) => {
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
