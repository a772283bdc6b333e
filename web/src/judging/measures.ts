/** What an attempt is measured and counted by: names, figures, and ranges in words. */
import type { StandardBody } from "../api/types";
import type { FinishWords } from "../places";
import { degrees, length, type Units } from "../shell/units";
import { type Code, decimal, t } from "../words";

export type Measure = StandardBody["limits"][number]["measure"];
export type Bounds = readonly [number | null, number | null];

const NAMES: Record<Measure, Code> = {
  kerb_front_m: "tape.front wheel to kerb",
  kerb_rear_m: "tape.rear wheel to kerb",
  angle_deg: "tape.off parallel",
  ahead_m: "tape.gap ahead",
  behind_m: "tape.gap behind",
  start_gap_m: "judging.start gap",
  furthest_back_m: "judging.furthest back",
  kerb_nearest_m: "judging.kerb nearest",
  kerb_farthest_m: "judging.kerb farthest",
  swing_out_m: "judging.swing out",
  leaving_movements: "judging.leaving movements",
  forward_movements: "tape.forward movements",
  reverse_movements: "tape.reverse movements",
  movements: "judging.movements",
  corrections: "judging.corrections",
  looks_missed: "tape.looks missed",
  looks_late: "tape.looks late",
  prompts: "tape.looks prompted",
  kerb_touches: "tape.kerb touched",
  kerb_mounts: "tape.kerb mounted",
  vehicle_touches: "tape.vehicle touched",
  seconds: "tape.time",
};

/** A place may call what is taped there otherwise. */
export const measureName = (measure: string, words?: FinishWords): string => {
  const code = NAMES[measure as Measure];
  return words?.[measure as keyof FinishWords] ?? (code ? t(code) : measure);
};

export const figure = (measure: string, value: number, units: Units): string => {
  if (measure.endsWith("_m")) return length(value, units);
  if (measure.endsWith("_deg")) return degrees(value, 1);
  return measure === "seconds" ? t("tape.seconds", { value: Math.round(value) }) : decimal(value);
};

export const limitText = (
  measure: string,
  range: Bounds | null | undefined,
  units: Units,
): string => {
  if (!range) return "";
  const [low, high] = range;
  if (low !== null && high !== null)
    return t("tape.between", {
      low: figure(measure, low, units),
      high: figure(measure, high, units),
    });
  if (high !== null) return t("tape.at most", { high: figure(measure, high, units) });
  return low === null ? "" : t("tape.at least", { low: figure(measure, low, units) });
};
