/** A standard to be read: every rule under the phase that it is of, and from where on it is a fault. */

import Box from "@mui/material/Box";
import type { StandardBody } from "../../api/types";
import { limitText, measureName } from "../../judging/measures";
import {
  type Grade,
  limitName,
  lookRuleName,
  observedName,
  type Phase,
  passedText,
  phaseName,
  times,
} from "../../judging/said";
import type { FinishWords } from "../../places";
import type { Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { useVocabulary } from "../../shell/useVocabulary";
import { ink } from "../../theme";
import { capital, named, t } from "../../words";

interface Props {
  body: StandardBody;
  words: FinishWords;
}

/** One rule: what is without fault, and from where on it is serious or ends the test. */
interface Told {
  phase: Phase | null;
  name: string;
  good: string;
  serious?: string;
  ends?: string;
  /** Of a small fault; what is serious fails without any. */
  points: number | null;
  more?: string | undefined;
}

/** A rule of one grade alone: its fault stands in the column of that grade. */
const graded = (grade: Grade, good: string, fault: string) => ({
  good,
  ...(grade !== "small" && { [grade]: fault }),
});

const toldOf = (
  body: StandardBody,
  words: FinishWords,
  units: Units,
  ofMeasure: Phases,
): Told[] => [
  ...body.limits.map((limit) => ({
    phase: ofMeasure(limit.measure) ?? limit.phase ?? null,
    name: limit.phase ? measureName(limit.measure, words) : limitName(limit, words),
    good: limitText(limit.measure, limit.small, units),
    serious: limitText(limit.measure, limit.serious, units),
    ends: limitText(limit.measure, limit.ends, units),
    points: limit.small ? limit.points : null,
    more: [
      ...(limit.each ? [t("judging.each one")] : []),
      ...(limit.passed ? [t("judging.passed means", { what: passedText(limit.passed) })] : []),
    ].join(" · "),
  })),
  ...body.looks.map((rule) => ({
    phase: rule.phase ?? null,
    name: lookRuleName({ ...rule, phase: null }),
    ...graded(rule.grade, t("judging.none"), t("judging.any at all")),
    points: rule.grade === "small" ? rule.points : null,
  })),
  ...body.observed.map((rule) => ({
    phase: rule.phase ?? null,
    name: observedName({ what: rule.what }, words),
    ...graded(
      rule.grade,
      rule.free > 0 ? t("tape.at most", { high: times(rule.free) }) : t("judging.none"),
      rule.free > 0 ? t("judging.more than", { times: times(rule.free) }) : t("judging.any at all"),
    ),
    ...(rule.repeated && { serious: t("judging.from", { times: times(rule.repeated) }) }),
    points: rule.grade === "small" ? rule.points : null,
  })),
  ...body.at_end.map((rule) => ({
    phase: rule.what === "left again" ? ("leaving" as const) : ("finish" as const),
    name: named(rule.what),
    ...graded(rule.grade, t("names.yes"), t("names.no")),
    points: rule.grade === "small" ? rule.points : null,
  })),
];

type Phases = (measure: string) => Phase | null;

/** How a whole test is drawn, in a sentence. */
const Drawn = ({ mock }: { mock: NonNullable<StandardBody["mock"]> }) => (
  <Box sx={{ fontSize: 14, mt: 1 }}>
    {t("mock.so many of", {
      number: mock.number,
      reverse: mock.in_reverse,
      list: mock.of.map(named).join(", "),
    })}
  </Box>
);

export const Rules = ({ body, words }: Props) => (
  <>
    <RuleTable body={body} words={words} />
    {body.mock && <Drawn mock={body.mock} />}
  </>
);

const RuleTable = ({ body, words }: Props) => {
  const units = useUnits();
  const { measures, phases } = useVocabulary();
  const counted = body.points_allowed !== null;
  const ofMeasure: Phases = (measure) =>
    measures.find(({ name }) => name === measure)?.phase ?? null;
  const told = toldOf(body, words, units, ofMeasure);
  return (
    <Box component="table" sx={table}>
      <thead>
        <tr>
          <th>{t("desk.measure")}</th>
          <th>{t("desk.good")}</th>
          <th>{t("desk.serious outside")}</th>
          <th>{t("desk.ends the test outside")}</th>
          {counted && <th>{t("judging.points")}</th>}
        </tr>
      </thead>
      {[...phases, null].map((phase) => (
        <tbody key={phase}>
          {told.some((one) => one.phase === phase) && (
            <tr>
              <th colSpan={counted ? 5 : 4} scope="rowgroup">
                <Box component="span" sx={{ color: ink.soft, fontSize: 13 }}>
                  {capital(phase ? phaseName(phase) : t("judging.whole attempt"))}
                </Box>
              </th>
            </tr>
          )}
          {told
            .filter((one) => one.phase === phase)
            .map((one) => (
              <tr key={one.name}>
                <td>
                  {capital(one.name)}
                  {one.more && <Box sx={{ fontSize: 13, color: ink.soft }}>{one.more}</Box>}
                </td>
                <td>{one.good || "–"}</td>
                <td>{one.serious || "–"}</td>
                <td>{one.ends || "–"}</td>
                {counted && <td>{one.points ?? "–"}</td>}
              </tr>
            ))}
        </tbody>
      ))}
    </Box>
  );
};

const table = {
  width: "100%",
  borderCollapse: "collapse",
  fontSize: 14,
  "& td, & th": { textAlign: "left", py: 0.75, pr: 1, borderTop: `1px solid ${ink.line}` },
} as const;
