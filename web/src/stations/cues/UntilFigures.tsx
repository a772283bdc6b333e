/** What a step waits for, in figures and names. */
import Box from "@mui/material/Box";
import type { FitAngle, FitMetres } from "../../api/types";
import { goalOf } from "../../drawing/berth";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { Choice, Fitted, type StepProps, same } from "./editing";
import {
  fittedAngle,
  fittedMetres,
  isFitted,
  landmarksOf,
  MARKS,
  OWN_POINTS,
  type Step,
  THINGS,
} from "./methodSteps";

export const UntilFigures = ({ body, step, change }: StepProps) => {
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
      {until.mark !== undefined && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <Choice
            label="Thing"
            value={until.thing ?? ""}
            choices={same([...new Set([...THINGS[goalOf(body)], until.thing ?? ""])])}
            choose={(thing) => set({ thing })}
          />
          <Choice
            label="Mark"
            value={until.mark}
            choices={same([...new Set([...MARKS, until.mark])])}
            choose={(mark) => set({ mark })}
          />
        </Box>
      )}
      {until.edge !== undefined && (
        <Choice
          label="Edge"
          value={until.edge}
          choices={same(["kerb", "far kerb"])}
          choose={(edge) => set({ edge })}
        />
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
