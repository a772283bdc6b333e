/** What the figures of a finish are called at each kind of place. */
import type { GoalKind, GroundBody, MethodBody } from "../api/types";

export interface FinishWords {
  kerb_front_m: string;
  kerb_rear_m: string;
  ahead_m: string;
  behind_m: string;
  edge: string;
  kerb_touches: string;
}

const KERB_WORDS: FinishWords = {
  kerb_front_m: "Front wheel to kerb",
  kerb_rear_m: "Rear wheel to kerb",
  ahead_m: "Gap ahead",
  behind_m: "Gap behind",
  edge: "kerb",
  kerb_touches: "Kerb touched",
};

/** Of a bay, before a method says which way it is stood in. */
const BAY_WORDS: FinishWords = {
  kerb_front_m: "Front wheel to line",
  kerb_rear_m: "Rear wheel to line",
  ahead_m: "Room ahead in the bay",
  behind_m: "Room behind in the bay",
  edge: "line",
  kerb_touches: "Line or stop touched",
};

const WORDS: Record<GoalKind, FinishWords> = {
  kerbside: KERB_WORDS,
  bay: BAY_WORDS,
  turnabout: KERB_WORDS,
  corner: { ...KERB_WORDS, ahead_m: "Nose to the mouth" },
  stretch: { ...KERB_WORDS, ahead_m: "Nose to the post" },
};

/** What a standard's measures are called: of the kerb, or of a bay stood in either way. */
export const standardWords = (goal: GoalKind): FinishWords => WORDS[goal];

const HEADS = { line: "head line", wall: "wall", "wheel stop": "stop" } as const;

type Goal = GroundBody["goal"];
type Manoeuvre = Pick<MethodBody, "manoeuvre">;

const nosesIn = (manoeuvre: string) => manoeuvre === "bay forward";

export const finishWords = (goal: Goal, method: Manoeuvre): FinishWords => {
  if (goal.kind !== "bay") return WORDS[goal.kind];
  const nosed = nosesIn(method.manoeuvre);
  const head = `${goal.head === "wheel stop" ? "Tyres" : nosed ? "Nose" : "Tail"} to ${HEADS[goal.head]}`;
  const mouth = `${nosed ? "Tail" : "Nose"} to mouth`;
  return { ...BAY_WORDS, ahead_m: nosed ? head : mouth, behind_m: nosed ? mouth : head };
};
