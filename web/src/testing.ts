/** A plan's call, a car and a place to try the drawing and its words on. */
import type { Call, GroundBody, MethodBody, VehicleBody } from "./api/types";

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
};

export const METHOD: MethodBody = {
  format: "fair-corner/method@1",
  name: "any",
  manoeuvre: "bay reverse",
  references: true,
  why: "",
  turns_per_metre: 2,
  start: { own: "rear bumper", landmark: "far line", metres: 0, gap_m: 1 },
  steps: [],
};

const LEAST = {
  junction_m: 10,
  bend_m: 20,
  crest_m: 20,
  crossing_m: 15,
  bus_stop_m: 10,
  driveway_m: 5,
  sight_m: 50,
  to_pass_m: 3,
};

const CHECK: GroundBody["check"] = {
  legal: null,
  junction_m: null,
  bend_m: null,
  crest_m: null,
  crossing_m: null,
  bus_stop_m: null,
  driveway_m: null,
  sight_m: null,
  traffic: null,
  light: null,
  neighbour: null,
  slope_percent: null,
  least: LEAST,
};

export const bay = (side: "left" | "right", angle_deg = 90): GroundBody => ({
  format: "fair-corner/ground@1",
  check: CHECK,
  name: "any",
  side,
  road_width_m: 7,
  edging: "kerb",
  edges: [],
  obstacles: [],
  goal: {
    kind: "bay",
    angle_deg,
    width_m: 2.6,
    depth_m: 5,
    head: "line",
    head_m: 0.3,
    lines: "painted",
    guide_m: null,
  },
});

type Cue = Call["cues"][number];

const CUE: Cue = {
  what: "corner of the parked vehicle",
  target_x_m: 0,
  target_y_m: 0,
  target_z_m: 1.4,
  eye_m: [1, -0.4, 1.2],
  through: "front door glass",
  x_m: 1.2,
  y_m: 0.8,
  z_m: 1,
  bearing_deg: 60,
  along: "x",
  feature: "B-pillar",
  offset_m: 0.12,
  scatter_m: 0.08,
  lean_m: 0.1,
  lean_image_m: 0.03,
  lean_late_m: 0.2,
};

/** A call whose cue and event are as given, else plain. */
export const call = (cue: Partial<Cue> = {}, until: Partial<Call["until"]> = {}): Call => ({
  number: 1,
  leg: 1,
  s_m: 2,
  told_s_m: 2,
  angle_deg: 12,
  x_m: 0,
  y_m: 0,
  heading_deg: 0,
  until: {
    kind: "abeam",
    own: null,
    landmark: null,
    edge: null,
    thing: null,
    metres: null,
    ...until,
  },
  early_m: 0.2,
  late_m: 0.3,
  said: { code: "", text: "" },
  early_breaks: { code: "", text: "" },
  late_breaks: { code: "", text: "" },
  cues: [{ ...CUE, ...cue }],
});
