/** Rules of what is seen: looks of a weight of their own, what is observed, what is so at last. */

import type { StandardBody } from "../../api/types";
import {
  type EndRule,
  type LookRule,
  lookRuleName,
  type ObservedRule,
  observedName,
} from "../../judging/said";
import type { FinishWords } from "../../places";
import { Choice } from "../../shell/Choice";
import { NumberField } from "../../shell/NumberField";
import { useVocabulary } from "../../shell/useVocabulary";
import { named, t } from "../../words";
import { AddRule, GradeChoice, Part, PhaseChoice, PointsField, RuleRow } from "./rule";

interface Props {
  body: StandardBody;
  edit: (part: Partial<StandardBody>) => void;
  words: FinishWords;
}

const changed = <Rule,>(rules: readonly Rule[], index: number, part: Partial<Rule>): Rule[] =>
  rules.map((rule, i) => (i === index ? { ...rule, ...part } : rule));

/** The first phase in which there is no such rule yet: null all of them, undefined none is left. */
const useFreePhase = () => {
  const { phases } = useVocabulary();
  return (rules: readonly { phase?: LookRule["phase"] | undefined }[]) =>
    [null, ...phases].find((phase) => rules.every((rule) => (rule.phase ?? null) !== phase));
};

export const LookRules = ({ body, edit }: Props) => {
  const { looks } = body;
  const { judged_looks, when } = useVocabulary();
  const freePhase = useFreePhase();
  const change = (index: number, part: Partial<LookRule>) =>
    edit({ looks: changed(looks, index, part) });
  const phaseFor = (look: string) =>
    freePhase(looks.filter((rule) => rule.look === look && rule.when === "missed"));
  return (
    <Part title={t("judging.looks")}>
      {looks.map((rule, i) => (
        <RuleRow
          // biome-ignore lint/suspicious/noArrayIndexKey: all of a row may change
          key={i}
          name={lookRuleName(rule)}
          remove={() => edit({ looks: looks.toSpliced(i, 1) })}
        >
          <Choice
            label={t("judging.look")}
            value={rule.look ?? null}
            values={judged_looks as NonNullable<LookRule["look"]>[]}
            told={named}
            none={t("judging.any of them")}
            set={(look) => change(i, { look })}
            width={180}
          />
          <Choice
            label={t("judging.a fault when")}
            value={rule.when}
            values={when}
            told={(one) => t(`judging.when ${one}`)}
            set={(one) => one && change(i, { when: one })}
            width={190}
          />
          <PhaseChoice phase={rule.phase} set={(phase) => change(i, { phase })} />
          <GradeChoice grade={rule.grade} set={(grade) => change(i, { grade })} />
          <PointsField
            counted={body.points_allowed !== null && rule.grade === "small"}
            points={rule.points}
            set={(points) => change(i, { points })}
          />
        </RuleRow>
      ))}
      <AddRule
        label={t("judging.judge a look")}
        groups={[["", judged_looks.filter((look) => phaseFor(look) !== undefined)]]}
        told={named}
        add={(look) =>
          edit({
            looks: [
              ...looks,
              {
                look: look as LookRule["look"],
                when: "missed",
                grade: "small",
                phase: phaseFor(look) ?? null,
                points: 1,
              },
            ],
          })
        }
      />
    </Part>
  );
};

export const ObservedRules = ({ body, edit, words }: Props) => {
  const { observed } = body;
  const all = useVocabulary().observed;
  const freePhase = useFreePhase();
  const change = (index: number, part: Partial<ObservedRule>) =>
    edit({ observed: changed(observed, index, part) });
  const phaseFor = (what: string) => freePhase(observed.filter((rule) => rule.what === what));
  return (
    <Part title={t("drive.observed")}>
      {observed.map((rule, i) => (
        <RuleRow
          // biome-ignore lint/suspicious/noArrayIndexKey: the phase of a row may change
          key={i}
          name={observedName(rule, words)}
          remove={() => edit({ observed: observed.toSpliced(i, 1) })}
        >
          <PhaseChoice phase={rule.phase} set={(phase) => change(i, { phase })} />
          <GradeChoice grade={rule.grade} set={(grade) => change(i, { grade })} />
          <NumberField
            label={t("judging.so many free")}
            value={rule.free}
            width={110}
            onCommit={(free) => change(i, { free })}
          />
          {rule.grade === "small" && (
            <NumberField
              label={t("judging.fails from")}
              value={rule.repeated ?? null}
              optional
              width={130}
              onCommit={(repeated) => change(i, { repeated })}
            />
          )}
          <PointsField
            counted={body.points_allowed !== null && rule.grade === "small"}
            points={rule.points}
            set={(points) => change(i, { points })}
          />
        </RuleRow>
      ))}
      <AddRule
        label={t("judging.judge what is seen")}
        groups={[["", all.filter((what) => phaseFor(what) !== undefined)]]}
        told={(what) => observedName({ what, phase: null }, words)}
        add={(what) =>
          edit({
            observed: [
              ...observed,
              {
                what,
                grade: "small",
                phase: phaseFor(what) ?? null,
                free: 0,
                repeated: null,
                points: 1,
              },
            ],
          })
        }
      />
    </Part>
  );
};

export const EndRules = ({ body, edit }: Props) => {
  const rules = body.at_end;
  const all = useVocabulary().at_end;
  const change = (index: number, part: Partial<EndRule>) =>
    edit({ at_end: changed(rules, index, part) });
  const free = all.filter((what) => rules.every((rule) => rule.what !== what));
  return (
    <Part title={t("judging.so at the end")}>
      {rules.map((rule, i) => (
        <RuleRow
          key={rule.what}
          name={named(rule.what)}
          remove={() => edit({ at_end: rules.toSpliced(i, 1) })}
        >
          <GradeChoice grade={rule.grade} set={(grade) => change(i, { grade })} />
          <PointsField
            counted={body.points_allowed !== null && rule.grade === "small"}
            points={rule.points}
            set={(points) => change(i, { points })}
          />
        </RuleRow>
      ))}
      {free.length > 0 && (
        <AddRule
          label={t("judging.ask for at the end")}
          groups={[["", free]]}
          told={named}
          add={(what) => edit({ at_end: [...rules, { what, grade: "small", points: 1 }] })}
        />
      )}
    </Part>
  );
};
