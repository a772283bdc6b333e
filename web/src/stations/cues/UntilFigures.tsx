/** What a step waits for, in figures and names. */

import Box from "@mui/material/Box";
import type { AnyOf, FitAngle, FitMetres } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { useDocket } from "../../shell/useDocket";
import { useGoalOf, useVocabulary } from "../../shell/useVocabulary";
import { t } from "../../words";
import { Choice, Fitted, type StepProps, same } from "./editing";
import { FitRange } from "./FitRange";
import { ALL, bySide, isFitted, named, newUntil, type Until } from "./methodSteps";

/** Seen in no mirror. */
const DIRECTLY = "directly";

export const UntilFigures = ({ body, step, change }: StepProps) => {
  const until: AnyOf<Until> = step.until;
  const vocabulary = useVocabulary();
  const docket = useDocket();
  const place = vocabulary.places[useGoalOf()(body)];
  const put = docket.ground.body.obstacles.filter((o) => vocabulary.seen.includes(o.kind));
  const things = [
    ...(place?.things ?? []),
    ...put.map((o) => o.name),
    ...vocabulary.edges,
    ...(place?.lines ?? []),
  ];
  const { features, mirrors: hung } = docket.vehicle.body;
  const side = docket.ground.body.side;
  const mirrors = [
    ...new Set([
      ...hung.map(({ name }) => bySide(name, side)),
      ...(until.through ? [until.through] : []),
    ]),
  ];
  const handles = features.map((f) => f.name).filter((name) => name.includes("handle"));
  const ownMarks = [...features, ...docket.seat.body.marks].map((f) => f.name);
  const marks = until.through
    ? [...vocabulary.mirror_marks, ...handles, ...docket.seat.body.dots.map((dot) => dot.name)]
    : [...ownMarks, ...vocabulary.sole_marks];
  const low = docket.ground.body.obstacles.filter((o) => vocabulary.stopping.includes(o.kind));
  const felt = [...low.map((o) => o.name), "kerb", until.thing ?? ""];
  const set = (part: AnyOf<Until>) => change({ until: { ...step.until, ...part } as Until });
  const usual: AnyOf<Until> = newUntil(vocabulary, body, step.until.kind);
  return (
    <>
      {until.own !== undefined && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <Choice
            label={t("cues.own point")}
            value={until.own}
            choices={same(vocabulary.own_points)}
            choose={(own) => set({ own: own as typeof until.own })}
          />
          {until.landmark !== undefined && (
            <Choice
              label={t("cues.landmark")}
              value={until.landmark}
              choices={same([...new Set([...(place?.landmarks ?? []), until.landmark])])}
              choose={(landmark) => set({ landmark: landmark as typeof until.landmark })}
            />
          )}
        </Box>
      )}
      {until.kind === "felt" && (
        <Choice
          label={t("cues.what the tyres meet")}
          value={until.thing ?? ""}
          choices={same([...new Set(felt)])}
          choose={(thing) => set({ thing })}
        />
      )}
      {until.mark !== undefined && (
        <Choice
          label={t("cues.seen in")}
          value={until.through ?? DIRECTLY}
          choices={{ [DIRECTLY]: t("cues.directly"), ...same(mirrors) }}
          choose={(through) => set({ through: through === DIRECTLY ? null : through })}
        />
      )}
      {until.mark !== undefined && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <Choice
            label={t("cues.thing")}
            value={until.thing ?? ""}
            choices={same([...new Set([...things, until.thing ?? ""])])}
            choose={(thing) => set({ thing })}
          />
          <Choice
            label={t("cues.mark")}
            value={until.mark}
            choices={same([...new Set([...marks, until.mark])])}
            choose={(mark) => set({ mark })}
          />
        </Box>
      )}
      {until.mark !== undefined && !until.through && (
        <Choice
          label={t("cues.what of it")}
          value={until.part ?? ALL}
          choices={same([ALL, ...vocabulary.parts])}
          choose={(part) => set({ part: part === ALL ? null : (part as typeof until.part) })}
        />
      )}
      {until.edge !== undefined && (
        <Choice
          label={t("cues.edge")}
          value={until.edge}
          choices={same(vocabulary.edges)}
          choose={(edge) => set({ edge: edge as typeof until.edge })}
        />
      )}
      {until.kind === "heading" && (
        <Fitted
          what={t("cues.angle")}
          fitted={isFitted(until.angle)}
          fit={() => set({ angle: usual.angle })}
          fix={() => set({ angle: (until.angle as FitAngle).prefer_deg })}
        >
          <NumberField
            label={t("cues.degrees")}
            value={until.angle as number}
            onCommit={(angle) => set({ angle })}
          />
        </Fitted>
      )}
      {isFitted(until.angle) && (
        <FitRange
          what={t("cues.angle")}
          fit={until.angle as FitAngle}
          set={(angle) => set({ angle })}
        />
      )}
      {until.metres !== undefined && (
        <Fitted
          what={t("cues.place")}
          fitted={isFitted(until.metres)}
          fit={() =>
            set({
              metres: isFitted(usual.metres) ? usual.metres : named(body, vocabulary.fitted.metres),
            })
          }
          fix={() => set({ metres: (until.metres as FitMetres).prefer_m })}
        >
          <LengthField
            label={until.kind === "travelled" ? t("cues.rolled") : t("cues.distance")}
            metres={until.metres as number}
            onCommit={(metres) => metres !== null && set({ metres })}
          />
        </Fitted>
      )}
      {isFitted(until.metres) && (
        <FitRange
          what={t("cues.place")}
          fit={until.metres as FitMetres}
          set={(metres) => set({ metres })}
        />
      )}
    </>
  );
};
