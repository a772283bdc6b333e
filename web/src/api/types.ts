/** Short names for what the generated client calls by its schema. */
import type { components } from "./schema";

type Schemas = components["schemas"];

export type Session = Schemas["SessionOut"];
export type School = Schemas["SchoolOut"];
export type Person = Schemas["PersonOut"];
export type Docket = Schemas["DocketOut"];
export type Revision = Schemas["RevisionOut"];
export type DocumentEntry = Schemas["DocumentOut"];
export type Kind = DocumentEntry["kind"];
export type Plan = Schemas["PlanOut"];
export type PlanOptions = Schemas["OptionsIO"];
export type Call = Schemas["CallOut"];
export type Look = Schemas["LookOut"];
export type PathPoint = Schemas["PathPoint"];
export type Pose = Schemas["PoseOut"];
export type Played = Schemas["PlayOut"];
export type Leaving = Schemas["LeavingOut"];
export type Backing = Schemas["BackingOut"];
export type BackingIn = Schemas["BackingIn"];
export type BackingLeg = Schemas["BackingLeg"];
export type BackingPoint = Schemas["BackingPoint"];
export type ShuffleIn = Schemas["ShuffleIn"];
export type Shuffle = Schemas["ShuffleOut"];
export type LeastSizesWork = Schemas["LeastSizesWorkOut"];
export type LeastSize = Schemas["LeastSizeOut"];
export type Remedy = Schemas["RemedyOut"];
export type Sheet = Schemas["SheetOut"];
export type Attempt = Schemas["AttemptOut"];
export type Notes = Schemas["Notes"];
export type Readings = Schemas["ReadingsIO"];
export type Tape = Schemas["TapeOut"];
export type Mend = Schemas["MendOut"];
export type Rescue = Schemas["RescueOut"];

export type Roll = Schemas["RollOut"];
export type Finding = Schemas["FindingOut"];
export type FinishSet = Schemas["SetOut"];
export type Lesson = Schemas["LessonOut"];
export type GroundState = Schemas["GroundOut"];
export type Thing = Schemas["ThingOut"];
export type Vocabulary = Schemas["VocabularyOut"];
export type Problem = Schemas["Problem"];

/** Lengths in metres, as everywhere between the server and the drawing. */
export type Metres = number;
export type Point = readonly [Metres, Metres];

/** What a vehicle draws; the hitch is measured from its rear axle, negative behind it. */
export interface TrailerBody {
  hitch_ahead_of_axle_m: Metres;
  kingpin_to_axle_m: Metres;
  length_m: Metres;
  width_m: Metres;
  front_of_kingpin_m: Metres;
  max_articulation_deg: number;
}

export interface VehicleBody {
  name: string;
  class: string;
  length_m: Metres;
  width_m: Metres;
  mirror_width_m: Metres;
  wheelbase_m: Metres;
  front_overhang_m: Metres;
  track_front_m: Metres;
  track_rear_m: Metres;
  tyre_width_m: Metres;
  corner_cut_m: Metres;
  steering: {
    lock_turns: number;
    kerb_circle_m: Metres;
    circles: { turns: number; kerb_circle_m: Metres }[];
  };
  trailer: TrailerBody | null;
  features: {
    name: string;
    role?: "door mirror" | null;
    x_m: Metres;
    y_m: Metres;
    z_m: Metres;
  }[];
  glass: { name: string; polygon_m: [Metres, Metres, Metres][] }[];
}

export interface Point3 {
  x_m: Metres;
  y_m: Metres;
  z_m: Metres;
}

export interface SeatBody {
  name: string;
  eye: Point3;
  eye_looking_back: Point3 | null;
}

export interface GroundBody {
  name: string;
  side: "left" | "right";
  road_width_m: Metres;
  /** What bounds the road; both are called kerb. */
  edging: "kerb" | "verge";
  edges: { name: string; kind: string; points_m: Point[] }[];
  obstacles: { name: string; kind: string; polygon_m: Point[]; height_m: Metres }[];
  goal: KerbsideGoal | BayGoal | TurnaboutGoal | CornerGoal | StretchGoal;
  check?: PlaceNotes;
}

/** A park along the kerb behind one vehicle, or between two. */
export interface KerbsideGoal {
  kind: "kerbside";
  ahead: string;
  behind: string | null;
  kerb_m: Metres;
  ahead_m: Metres;
}

/** A park in the bay whose mouth's middle is the site's origin; 90 degrees is square. */
export interface BayGoal {
  kind: "bay";
  angle_deg: number;
  width_m: Metres;
  depth_m: Metres;
  head: "line" | "wall" | "wheel stop";
  head_m: Metres;
  /** Painted ones may be crossed, those with sensors not be touched by a tyre. */
  lines: "painted" | "sensor";
  /** From the line of the mouths to a line in the aisle that is driven along. */
  guide_m: Metres | null;
}

/** Turning round in a road, to end facing back beside the kerb across it. */
export interface TurnaboutGoal {
  kind: "turnabout";
  kerb_m: Metres;
  overhang: boolean;
}

/** Reversing round a corner into a side road; the curve ends on x = 0 and y = 0. */
export interface CornerGoal {
  kind: "corner";
  radius_m: Metres;
  side_width_m: Metres;
  kerb_m: Metres;
  back_m: Metres;
}

/** A free kerb with a post at x = 0, to stop before and to reverse along. */
export interface StretchGoal {
  kind: "stretch";
  kerb_m: Metres;
  short_m: Metres;
  run_m: Metres;
}

/** What was noted of a place to practise on; nothing where nobody looked. */
export interface PlaceNotes {
  legal?: boolean | null;
  junction_m?: Metres | null;
  crossing_m?: Metres | null;
  bus_stop_m?: Metres | null;
  driveway_m?: Metres | null;
  bend_m?: Metres | null;
  crest_m?: Metres | null;
  sight_m?: Metres | null;
  traffic?: string | null;
  light?: string | null;
  neighbour?: string | null;
  slope_percent?: number | null;
  least?: Record<string, Metres>;
}

export interface FitMetres {
  fit: string;
  low_m: Metres;
  high_m: Metres;
  prefer_m: Metres;
}

export interface FitAngle {
  fit: string;
  low_deg: number;
  high_deg: number;
  prefer_deg: number;
}

export interface FitShare {
  fit: string;
  low: number;
  high: number;
  prefer: number;
}

export interface MethodBody {
  name: string;
  manoeuvre: string;
  references: boolean;
  why: string;
  turns_per_metre: number;
  start: { own: string; landmark: string; metres: Metres | FitMetres; gap_m: Metres | FitMetres };
  steps: {
    name: string;
    say: string;
    gear: "forward" | "reverse";
    wheel: {
      way: "toward" | "away" | "straight";
      of_lock: number | FitShare;
      turns?: number | null;
    };
    until: {
      kind: string;
      angle?: number | FitAngle;
      own?: string;
      landmark?: string;
      edge?: string;
      mark?: string;
      thing?: string;
      metres?: Metres | FitMetres;
    };
    looks: string[];
    standing: boolean;
  }[];
}

export interface StandardBody {
  name: string;
  authority: string;
  dated: string;
  manoeuvre: string;
  small_allowed: number;
  limits: {
    measure: string;
    small: [number | null, number | null] | null;
    serious: [number | null, number | null] | null;
    ends: [number | null, number | null] | null;
  }[];
}

export const bodyOf = <T>(revision: Revision): T => revision.body as unknown as T;
