/** Where the vehicle should stand, for drawing: what its dimension lines run to, and what they are. */
import type { GoalKind, GroundBody, MethodBody, Point, VehicleBody } from "../api/types";
import { noseX, rearOverhang } from "./VehicleShape";

type Reach = (from: Point) => Point;

export interface Berth {
  /** Straight across to the edge beside the near-side tyres: the kerb, or the bay's line. */
  edge: Reach;
  /** Straight along to what stands or ends ahead, and behind; null where nothing does. */
  ahead: Reach | null;
  behind: Reach | null;
  /** Which end the tyres are held against, by a wheel stop, instead of the body. */
  tyresAgainst: "ahead" | "behind" | null;
  /** The way out beside the vehicle, away from that edge, one metre long. */
  away: Point;
}

/** What the same five figures are called at this kind of place. */
export interface BerthWords {
  kerb_front_m: string;
  kerb_rear_m: string;
  ahead_m: string;
  behind_m: string;
  edge: string;
  kerb_touches: string;
}

const KERB_WORDS: BerthWords = {
  kerb_front_m: "Front wheel to kerb",
  kerb_rear_m: "Rear wheel to kerb",
  ahead_m: "Gap ahead",
  behind_m: "Gap behind",
  edge: "kerb",
  kerb_touches: "Kerb touched",
};

/** Of a bay, before a method says which way it is stood in. */
const BAY_WORDS: BerthWords = {
  kerb_front_m: "Front wheel to line",
  kerb_rear_m: "Rear wheel to line",
  ahead_m: "Room ahead in the bay",
  behind_m: "Room behind in the bay",
  edge: "line",
  kerb_touches: "Line or stop touched",
};

const WORDS: Record<GoalKind, BerthWords> = {
  kerbside: KERB_WORDS,
  bay: BAY_WORDS,
  turnabout: KERB_WORDS,
  corner: { ...KERB_WORDS, ahead_m: "Nose to the mouth" },
  stretch: { ...KERB_WORDS, ahead_m: "Nose to the post" },
};

/** What a standard's measures are called: of the kerb, or of a bay stood in either way. */
export const standardWords = (goal: GoalKind): BerthWords => WORDS[goal];

const HEADS = { line: "head line", wall: "wall", "wheel stop": "stop" } as const;

type Goal = GroundBody["goal"];
type Place = Pick<GroundBody, "side" | "goal" | "obstacles" | "road_width_m">;

type Manoeuvre = Pick<MethodBody, "manoeuvre">;

const nosesIn = (manoeuvre: string) => manoeuvre === "bay forward";

export const berthWords = (goal: Goal, method: Manoeuvre): BerthWords => {
  if (goal.kind !== "bay") return WORDS[goal.kind];
  const nosed = nosesIn(method.manoeuvre);
  const head = `${goal.head === "wheel stop" ? "Tyres" : nosed ? "Nose" : "Tail"} to ${HEADS[goal.head]}`;
  const mouth = `${nosed ? "Tail" : "Nose"} to mouth`;
  return { ...BAY_WORDS, ahead_m: nosed ? head : mouth, behind_m: nosed ? mouth : head };
};

export const berthOf = (ground: Place, method: Manoeuvre): Berth => {
  const { goal, side } = ground;
  switch (goal.kind) {
    case "bay":
      return bayBerth(side, goal, nosesIn(method.manoeuvre));
    case "kerbside":
      return kerbBerth(ground, goal);
    default:
      return roadBerth(ground, goal.kind);
  }
};

/** Beside the kerb across the road, in the side road, or along a free kerb. */
const roadBerth = (ground: Place, kind: "turnabout" | "corner" | "stretch"): Berth => {
  const away = ground.side === "left" ? -1 : 1;
  const nobody = { behind: null, tyresAgainst: null } as const;
  switch (kind) {
    case "turnabout":
      return {
        ...nobody,
        edge: ([x]) => [x, away * ground.road_width_m],
        ahead: null,
        away: [0, -away],
      };
    case "corner":
      return { ...nobody, edge: ([, y]) => [0, y], ahead: ([x]) => [x, 0], away: [-1, 0] };
    case "stretch":
      return { ...nobody, edge: ([x]) => [x, 0], ahead: ([, y]) => [0, y], away: [0, away] };
  }
};

// Half the length of tyre that meets a kerb or stop; the core's figure.
const TYRE_REACH = 0.2;

/** Where the tape is held at the vehicle's front and rear, in its own frame. */
export const endsOf = (berth: Berth, vehicle: VehicleBody): { front: Point; rear: Point } => ({
  front: [berth.tyresAgainst === "ahead" ? vehicle.wheelbase_m + TYRE_REACH : noseX(vehicle), 0],
  rear: [berth.tyresAgainst === "behind" ? -TYRE_REACH : -rearOverhang(vehicle), 0],
});

const kerbBerth = (ground: Place, goal: Extract<Goal, { kind: "kerbside" }>): Berth => {
  const xs = (name: string | null) =>
    ground.obstacles.find((o) => o.name === name)?.polygon_m.map(([x]) => x) ?? null;
  const ahead = xs(goal.ahead);
  const behind = xs(goal.behind);
  return {
    edge: ([x]) => [x, 0],
    ahead: ahead && (([, y]) => [Math.min(...ahead), y]),
    behind: behind && (([, y]) => [Math.max(...behind), y]),
    tyresAgainst: null,
    away: [0, ground.side === "left" ? -1 : 1],
  };
};

const dot = (a: Point, b: Point) => a[0] * b[0] + a[1] * b[1];
const along = (from: Point, way: Point, metres: number): Point => [
  from[0] + way[0] * metres,
  from[1] + way[1] * metres,
];

const bayBerth = (
  side: GroundBody["side"],
  goal: Extract<Goal, { kind: "bay" }>,
  nosed: boolean,
): Berth => {
  const into = bayAxis(side, goal);
  const flip = side === "left" ? 1 : -1;
  // Left of the way the vehicle faces where the bay is on the left; its mirror otherwise.
  const facing = nosed ? 1 : -1;
  const near: Point = [-into[1] * flip * facing, into[0] * flip * facing];
  const head: Reach = (p) => along(p, into, goal.depth_m - dot(p, into));
  const mouth: Reach = (p) => along(p, into, -p[1] / into[1]);
  return {
    edge: (p) => along(p, near, goal.width_m / 2 - dot(p, near)),
    ahead: nosed ? head : mouth,
    behind: nosed ? mouth : head,
    tyresAgainst: goal.head === "wheel stop" ? (nosed ? "ahead" : "behind") : null,
    away: [-near[0], -near[1]],
  };
};

/** The way into a bay, one metre long. */
export const bayAxis = (side: GroundBody["side"], goal: Extract<Goal, { kind: "bay" }>): Point => {
  const angle = (goal.angle_deg * Math.PI) / 180;
  return [Math.cos(angle), (side === "left" ? 1 : -1) * Math.sin(angle)];
};
