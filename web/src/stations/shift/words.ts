/** Bias, scatter and advice in the instructor's words. */

import type { FinishSet } from "../../api/types";
import { length, percent, type Units } from "../../shell/units";
import { t } from "../../words";

type Advice = NonNullable<FinishSet["advice"]>;

export const headline = (advice: Advice, units: Units): string => {
  const cue = { call: advice.call ?? 0, by: length(Math.abs(advice.by_m), units) };
  return {
    "too few": t("shift.attempts are needed before", { needed: advice.needed }),
    "move cue": advice.by_m < 0 ? t("shift.move earlier", cue) : t("shift.move later", cue),
    practise: advice.call ? t("shift.practise this call", cue) : t("shift.practise"),
    "move on": t("shift.move on"),
  }[advice.kind];
};

export const reason = (advice: Advice, count: number): string => {
  const p = advice.p_value;
  const share = { share: percent(advice.scatter_share[(advice.call ?? 0) - 1] ?? 0) };
  const bias = { odds: percent(p ?? 1), explained: percent(advice.explained) };
  return {
    "too few": t("shift.so far a mean", { count }),
    "move cue":
      p !== null && p !== undefined && p < 0.001
        ? t("shift.a bias no chance explains", bias)
        : t("shift.a bias that chance would explain", bias),
    practise: advice.call
      ? t("shift.scatter like one call", { ...share, call: advice.call })
      : t("shift.scatter to all sides"),
    "move on": t("shift.no bias that does harm"),
  }[advice.kind];
};

/** What less and more of each measure means. */
export const ENDS = {
  kerb_m: ["names.nearer", "names.farther"],
  angle_deg: ["names.nose out", "names.nose in"],
  ahead_m: ["names.shorter", "names.longer"],
  behind_m: ["names.shorter", "names.longer"],
} as const;
