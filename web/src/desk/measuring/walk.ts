/** The measures of a vehicle in the order of a walk round it: nose, flank, tail, and what it steers. */

import type { VehicleBody } from "../../api/types";
import type { Code } from "../../words";

/** From above, from the side, and of the steering, which no drawing shows. */
export type Measure =
  | "length_m"
  | "width_m"
  | "mirror_width_m"
  | "wheelbase_m"
  | "front_overhang_m"
  | "track_front_m"
  | "track_rear_m"
  | "height_m"
  | "sill_m";
export type Step = Measure | "lock_turns" | "kerb_circle_m";

/** What is measured may do without: the drawing is as usual there, and says so. */
export const OPTIONAL: ReadonlySet<Step> = new Set(["height_m", "sill_m"]);

export const WALK: readonly { step: Step; how: Code }[] = [
  { step: "width_m", how: "measure.how width" },
  { step: "front_overhang_m", how: "measure.how overhang" },
  { step: "track_front_m", how: "measure.how front track" },
  { step: "mirror_width_m", how: "measure.how mirrors" },
  { step: "sill_m", how: "measure.how sill" },
  { step: "wheelbase_m", how: "measure.how wheelbase" },
  { step: "height_m", how: "measure.how height" },
  { step: "track_rear_m", how: "measure.how rear track" },
  { step: "length_m", how: "measure.how length" },
  { step: "lock_turns", how: "measure.how turns" },
  { step: "kerb_circle_m", how: "measure.how circle" },
];

export const after = (step: Step): Step | null => {
  const at = WALK.findIndex((one) => one.step === step);
  return WALK[at + 1]?.step ?? null;
};

/** How high a vehicle is drawn: as measured, else as its outline from the side has it. */
export const heightOf = (v: VehicleBody): number =>
  v.height_m ?? Math.max(1, ...v.roofline_m.map(([, z]) => z));

/** Where the driver's window begins. */
export const sillOf = (v: VehicleBody): number | null => {
  const pane = v.glass.find((one) => one.name === "front door glass");
  return pane ? Math.min(...pane.polygon_m.map(([, , z]) => z)) : null;
};
