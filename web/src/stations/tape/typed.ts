import type { Readings } from "../../api/types";

/** Readings as they are being typed: null where nothing has been yet. */
export type TypedReadings = { [K in keyof Required<Readings>]: number | null };

/** Nobody has read anything yet. */
export const NOTHING: TypedReadings = {
  kerb_front_m: null,
  kerb_rear_m: null,
  ahead_m: null,
  behind_m: null,
};

/** What can be reckoned with: both wheels, whatever else there is; null until both are there. */
export const complete = (r: TypedReadings): Readings | null =>
  r.kerb_front_m === null || r.kerb_rear_m === null
    ? null
    : { ...r, kerb_front_m: r.kerb_front_m, kerb_rear_m: r.kerb_rear_m };
