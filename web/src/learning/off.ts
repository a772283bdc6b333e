/** How far off somebody says where it stands, in words. */

import { degrees, length, type Units } from "../shell/units";
import { type Code, t } from "../words";

export type EyeMeasure = "kerb_m" | "angle_deg" | "ahead_m" | "behind_m";

export const EYE_NAMES: Record<EyeMeasure, Code> = {
  kerb_m: "learning.to the edge",
  angle_deg: "tape.off parallel",
  ahead_m: "tape.gap ahead",
  behind_m: "tape.gap behind",
};

export const amount = (measure: EyeMeasure, value: number, units: Units): string =>
  measure === "angle_deg" ? degrees(Math.abs(value), 1) : length(Math.abs(value), units);

/** Less than this is said rightly, m or degrees: nobody reads a tape closer than that by eye. */
const RIGHT = { m: 0.01, deg: 0.1 };

/** “12 cm less than it is”. */
export const offText = (measure: EyeMeasure, value: number, units: Units): string => {
  if (Math.abs(value) < (measure === "angle_deg" ? RIGHT.deg : RIGHT.m)) return t("learning.right");
  if (measure === "angle_deg")
    return t(value < 0 ? "learning.more nose out" : "learning.more nose in", {
      by: amount(measure, value, units),
    });
  return t(value < 0 ? "learning.less than it is" : "learning.more than it is", {
    by: amount(measure, value, units),
  });
};
