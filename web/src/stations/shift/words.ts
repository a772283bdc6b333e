/** Bias, scatter and advice in the instructor's words. */
import type { FinishSet } from "../../api/types";
import { length, percent, type Units } from "../../shell/units";

type Advice = NonNullable<FinishSet["advice"]>;

export const headline = (advice: Advice, units: Units): string =>
  ({
    "too few": `${advice.needed} attempts are needed before a judgement`,
    "move cue": `Move call ${advice.call}: ${length(Math.abs(advice.by_m), units)} ${advice.by_m < 0 ? "earlier" : "later"}`,
    practise: advice.call
      ? `The cue is right: practise call ${advice.call}`
      : "The cue is right: practise",
    "move on": "The cue is right and the hand steady: move on",
  })[advice.kind];

export const reason = (advice: Advice, count: number): string => {
  const p = advice.p_value;
  const odds =
    p !== null && p !== undefined && p < 0.001
      ? "less than once in 1000"
      : `${percent(p ?? 1)} of the time`;
  return {
    "too few": `${count} so far. A mean of so few says little about the next one.`,
    "move cue": `A bias like this would come by chance ${odds}. Moving this one call takes ${percent(advice.explained)} of it away.`,
    practise: `The misses scatter to all sides${advice.call ? `; ${percent(advice.scatter_share[advice.call - 1] ?? 0)} of that scatter looks like call ${advice.call}` : ""}. Moving a cue would not help.`,
    "move on": "No bias that does harm, and little scatter.",
  }[advice.kind];
};

/** What less and more of each measure means. */
export const ENDS = {
  kerb_m: ["nearer", "farther"],
  angle_deg: ["nose out", "nose in"],
  ahead_m: ["shorter", "longer"],
  behind_m: ["shorter", "longer"],
} as const;
