/** What a step waits for, in figures and names. */
import Box from "@mui/material/Box";
import {
  bodyOf,
  type FitAngle,
  type FitMetres,
  type GroundBody,
  type VehicleBody,
} from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { useDocket } from "../../shell/useDocket";
import { useVocabulary } from "../../shell/useVocabulary";
import { Choice, Fitted, type StepProps, same } from "./editing";
import { fittedAngle, fittedMetres, isFitted, placeOf, type Step } from "./methodSteps";

/** What else can be seen here: cones and poles that were put down. */
const STANDING = ["cone", "pole"];

export const UntilFigures = ({ body, step, change }: StepProps) => {
  const { until } = step;
  const vocabulary = useVocabulary();
  const docket = useDocket();
  const place = placeOf(vocabulary, body);
  const put = bodyOf<GroundBody>(docket.ground).obstacles.filter((o) => STANDING.includes(o.kind));
  const things = [...place.things, ...put.map((o) => o.name)];
  const marks = bodyOf<VehicleBody>(docket.vehicle).features.map((f) => f.name);
  const set = (part: Partial<Step["until"]>) => change({ until: { ...until, ...part } });
  return (
    <>
      {until.own !== undefined && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <Choice
            label="Own point"
            value={until.own}
            choices={same(vocabulary.own_points)}
            choose={(own) => set({ own })}
          />
          {until.landmark !== undefined && (
            <Choice
              label="Landmark"
              value={until.landmark}
              choices={same([...new Set([...place.landmarks, until.landmark])])}
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
            choices={same([...new Set([...things, until.thing ?? ""])])}
            choose={(thing) => set({ thing })}
          />
          <Choice
            label="Mark"
            value={until.mark}
            choices={same([...new Set([...marks, until.mark])])}
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
