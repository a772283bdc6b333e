/** Limits of what is measured and counted: three ranges each, and what being outside means. */

import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import type { StandardBody } from "../../api/types";
import type { Measure } from "../../judging/measures";
import { measureName } from "../../judging/measures";
import { GRADES, type Limit, limitName, passedText } from "../../judging/said";
import type { FinishWords } from "../../places";
import { Choice } from "../../shell/Choice";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { useVocabulary } from "../../shell/useVocabulary";
import { ink } from "../../theme";
import { t } from "../../words";
import { AddRule, Part, PhaseChoice, PointsField, RuleRow } from "./rule";

const HEADS = {
  small: "desk.small fault outside",
  serious: "desk.serious outside",
  ends: "desk.ends the test outside",
} as const;

interface Props {
  body: StandardBody;
  edit: (part: Partial<StandardBody>) => void;
  words: FinishWords;
}

export const LimitRules = ({ body, edit, words }: Props) => {
  const { limits } = body;
  const { measures, phases } = useVocabulary();
  const change = (index: number, part: Partial<Limit>) =>
    edit({ limits: limits.map((limit, i) => (i === index ? { ...limit, ...part } : limit)) });
  /** Of looks every phase may have a limit of its own. */
  const phaseFor = (measure: string) =>
    [null, ...phases].find((phase) =>
      limits.every((limit) => limit.measure !== measure || (limit.phase ?? null) !== phase),
    );
  const free = measures.filter((one) =>
    one.of_looks
      ? phaseFor(one.name) !== undefined
      : limits.every((limit) => limit.measure !== one.name),
  );
  const namesOf = (which: (one: (typeof measures)[number]) => boolean) =>
    free.filter(which).map((one) => one.name as Measure);
  const add = (measure: Measure) => {
    const limit: Limit = {
      measure,
      small: [null, null],
      serious: null,
      ends: null,
      phase: phaseFor(measure) ?? null,
      each: false,
      points: 1,
      passed: null,
    };
    edit({ limits: [...limits, limit] });
  };
  return (
    <Part title={t("judging.limits")}>
      {limits.map((limit, i) => (
        <LimitRow
          // biome-ignore lint/suspicious/noArrayIndexKey: the phase of a row may change
          key={i}
          limit={limit}
          words={words}
          points={body.points_allowed !== null}
          change={(part) => change(i, part)}
          remove={() => edit({ limits: limits.toSpliced(i, 1) })}
          last={limits.length === 1}
        />
      ))}
      {free.length > 0 && (
        <AddRule
          label={t("desk.limit another measure")}
          groups={[
            [t("judging.where it ends"), namesOf((one) => one.taped)],
            [t("judging.on the way"), namesOf((one) => one.on_the_way)],
            [t("judging.counted"), namesOf((one) => !one.taped && !one.on_the_way)],
          ]}
          told={(measure) => measureName(measure, words)}
          add={add}
        />
      )}
    </Part>
  );
};

interface RowProps {
  limit: Limit;
  words: FinishWords;
  points: boolean;
  change: (part: Partial<Limit>) => void;
  remove: () => void;
  last: boolean;
}

/** One measure and its three ranges; an empty field leaves that end open. */
const LimitRow = ({ limit, words, points, change, remove, last }: RowProps) => {
  const { measures, passed } = useVocabulary();
  const measure = measures.find((one) => one.name === limit.measure);
  return (
    <RuleRow name={limitName(limit, words)} remove={remove} last={last}>
      {GRADES.map((grade) => (
        <Range
          key={grade}
          measure={limit.measure}
          label={t(HEADS[grade])}
          range={limit[grade] ?? null}
          set={(range) => change({ [grade]: range })}
        />
      ))}
      {measure?.of_looks && <PhaseChoice phase={limit.phase} set={(phase) => change({ phase })} />}
      {measure?.counted && (
        <FormControlLabel
          control={
            <Checkbox checked={limit.each} onChange={(e) => change({ each: e.target.checked })} />
          }
          label={t("judging.each one")}
        />
      )}
      <Choice
        label={t("judging.when passed")}
        value={limit.passed ?? null}
        values={passed}
        told={passedText}
        none={t("judging.the fault alone")}
        set={(one) => change({ passed: one })}
        width={140}
      />
      <PointsField
        counted={points && limit.small !== null}
        points={limit.points}
        set={(one) => change({ points: one })}
      />
    </RuleRow>
  );
};

type Range = [number | null, number | null];

interface RangeProps {
  measure: string;
  label: string;
  range: readonly [number | null, number | null] | null;
  set: (range: Range | null) => void;
}

const Range = ({ measure, label, range, set }: RangeProps) => {
  const [low, high] = range ?? [null, null];
  const unit = measure.endsWith("_deg") ? ", °" : measure === "seconds" ? ", s" : "";
  const given = (next: Range) => set(next[0] === null && next[1] === null ? null : next);
  const end = (value: number | null, said: string, commit: (value: number | null) => void) =>
    measure.endsWith("_m") ? (
      <LengthField label={said} metres={value} bare="cm" optional width={86} onCommit={commit} />
    ) : (
      <NumberField label={said} value={value} optional width={70} onCommit={commit} />
    );
  return (
    <Box role="group" aria-label={label} sx={{ display: "grid", gap: 0.5 }}>
      <Box sx={{ fontSize: 13, color: ink.soft }}>
        {label}
        {unit}
      </Box>
      <Box sx={{ display: "flex", gap: 0.5 }}>
        {end(low, t("desk.from"), (value) => given([value, high]))}
        {end(high, t("desk.to"), (value) => given([low, value]))}
      </Box>
    </Box>
  );
};
