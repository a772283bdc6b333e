/** Rules and findings in words: what is asked, what was found, what would have changed it. */
import type { Finding, StandardBody, Tape } from "../api/types";
import type { FinishWords } from "../places";
import type { Units } from "../shell/units";
import { type Code, named, t } from "../words";
import { figure, limitText, measureName } from "./measures";

export type LookRule = StandardBody["looks"][number];
export type ObservedRule = StandardBody["observed"][number];
export type EndRule = StandardBody["at_end"][number];
export type Limit = StandardBody["limits"][number];
export type Grade = LookRule["grade"];
export type Phase = NonNullable<Limit["phase"]>;

export const GRADES: readonly Grade[] = ["small", "serious", "ends"];

/** How a fault of each grade is called. */
export const GRADE_NAMES = {
  small: "tape.small fault",
  serious: "names.serious",
  ends: "tape.ends the test",
} as const;

export const phaseName = (phase: Phase): string => t(`drive.phase ${phase}`);

/** With its phase, where it is of one alone. */
export const phased = (what: string, phase: Phase | null | undefined): string =>
  phase ? t("drive.seen in", { what, phase: phaseName(phase) }) : what;

const WHEN: Record<LookRule["when"], Code> = {
  missed: "judging.look missed",
  late: "judging.look late",
  prompted: "judging.look prompted",
  never: "judging.look never",
};

const lookOf = (look: LookRule["look"] | undefined): string =>
  look ? named(look) : t("judging.any look");

export const lookName = (look: LookRule["look"] | undefined): string =>
  t("judging.look named", { look: lookOf(look) });

interface Watched {
  look?: LookRule["look"] | undefined;
  when: LookRule["when"];
  phase?: Phase | null | undefined;
}

export const lookRuleName = ({ look, when, phase }: Watched) =>
  phased(t(WHEN[when], { look: lookOf(look) }), phase);

export const limitName = ({ measure, phase }: Limit, words?: FinishWords): string =>
  phased(measureName(measure, words), phase);

/** What was observed, as it is called where it is judged: in a bay the kerb may be its head. */
export const observedName = (
  { what, phase }: { what: ObservedRule["what"]; phase?: Phase | null | undefined },
  words?: FinishWords,
): string => phased((what === "kerb touched" && words?.kerb_touches) || named(what), phase);

export const findingName = (finding: Finding, words: FinishWords): string => {
  const { phase } = finding;
  if (finding.when)
    return lookRuleName({ look: finding.look as LookRule["look"], when: finding.when, phase });
  if (finding.observed) return observedName({ what: finding.observed, phase }, words);
  if (finding.at_end) return named(finding.at_end);
  const measure = finding.measure ?? "";
  return phased(
    measureName(measure, words),
    measure.startsWith("looks_") || measure === "prompts" ? phase : null,
  );
};

/** What was found, null where nothing was. */
export const foundText = (finding: Finding, units: Units): string | null => {
  if (finding.value === null) return null;
  if (finding.rule === "at end") return t(finding.value === 0 ? "names.yes" : "names.no");
  if (finding.rule === "look" && finding.when === "never")
    return t(finding.value === 0 ? "judging.was done" : "judging.never done");
  if (finding.rule !== "limit") return times(finding.value);
  return figure(finding.measure ?? "", finding.value, units);
};

export const times = (count: number): string => t("judging.times", { count });

/** What is without fault by the rule of a finding. */
export const askedText = (finding: Finding, units: Units): string => {
  if (finding.rule === "limit")
    return limitText(
      finding.measure ?? "",
      finding.small ?? finding.serious ?? finding.ends,
      units,
    );
  if (finding.rule === "observed" && finding.free > 0)
    return t("judging.free", { count: finding.free });
  return "";
};

/** What would have left it without fault, and what that would have made of the verdict; null where
 * it is without, or where verdicts of old do not say. */
export const changeText = (
  finding: Finding,
  units: Units,
  outcome: Judged["outcome"],
): string | null => {
  const { by, grade, without } = finding;
  if (!grade || by === undefined || by === null || !without) return null;
  const wanting = t(wantingCode(finding), {
    by:
      finding.rule === "limit"
        ? figure(finding.measure ?? "", Math.abs(by), units)
        : String(Math.abs(by)),
  });
  return without === outcome
    ? t("judging.the same", { wanting })
    : t("judging.would be", { wanting, outcome: t(`names.${without}`) });
};

const wantingCode = ({ rule, when, by }: Finding): Code => {
  if (rule === "at end" || when === "never") return "judging.had it been so";
  return (by ?? 0) < 0 ? "judging.with less" : "judging.with more";
};

const PASSED = {
  stop: "judging.then stop",
  "go on forwards": "judging.then go on forwards",
  "begin again": "judging.then begin again",
} as const;

export const passedText = (passed: NonNullable<Limit["passed"]>): string => t(PASSED[passed]);

type Judged = Pick<
  Tape["verdict"],
  "outcome" | "small" | "small_allowed" | "serious" | "points" | "points_allowed"
>;

/** Why a verdict is what it is: what failed it, or how much of what is allowed was used. */
export const becauseText = (verdict: Judged): string => {
  if (verdict.outcome === "ended") return t("judging.because ended");
  if (verdict.serious > 0) return t("judging.because serious", { count: verdict.serious });
  if (verdict.points !== null && verdict.points_allowed !== null)
    return t("judging.because points", { points: verdict.points, allowed: verdict.points_allowed });
  if (verdict.small === 0 || verdict.small_allowed === null) return "";
  return t("judging.because small", { count: verdict.small, allowed: verdict.small_allowed });
};
