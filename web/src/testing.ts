/** A car to try the drawing on. */
import type { VehicleBody } from "./api/types";

export const CAR: VehicleBody = {
  format: "fair-corner/vehicle@2",
  name: "any",
  class: "car",
  length_m: 4,
  width_m: 1.8,
  mirror_width_m: 2,
  wheelbase_m: 2.5,
  front_overhang_m: 0.8,
  track_front_m: 1.5,
  track_rear_m: 1.5,
  tyre_width_m: 0.2,
  corner_cut_m: 0.1,
  steering: { lock_turns: 1.5, kerb_circle_m: 10.4, circles: [] },
  trailer: null,
  features: [],
  glass: [],
  mirrors: [],
  camera: null,
  shape: null,
  height_m: null,
  roofline_m: [],
  assumed: [],
};
