import type { Goal } from "../../api/types";
import type { FinishWords, Place } from "../place";
import { BayPanel } from "./BayPanel";
import { BayScene } from "./BayScene";

const HEADS = { line: "head line", wall: "wall", "wheel stop": "stop" } as const;

/** Of a bay, before a method says which way it is stood in. */
const EITHER_WAY: FinishWords = {
  kerb_front_m: "Front wheel to line",
  kerb_rear_m: "Rear wheel to line",
  ahead_m: "Room ahead in the bay",
  behind_m: "Room behind in the bay",
  edge: "line",
  kerb_touches: "Line or stop touched",
};

const words = (goal: Goal | null, manoeuvre: string): FinishWords => {
  if (goal?.kind !== "bay") return EITHER_WAY;
  const nosed = manoeuvre === "bay forward";
  const held = goal.head === "wheel stop" ? "Tyres" : nosed ? "Nose" : "Tail";
  const head = `${held} to ${HEADS[goal.head]}`;
  const mouth = `${nosed ? "Tail" : "Nose"} to mouth`;
  return { ...EITHER_WAY, ahead_m: nosed ? head : mouth, behind_m: nosed ? mouth : head };
};

export const BAY: Place = {
  fresh: "New bay",
  ends: "Ends in a bay",
  side: "Bay",
  kerbed: false,
  words,
  measures: {
    bay_width: "Width",
    bay_depth: "Depth",
    before_off_line: "Off the line",
    beyond_off_line: "Off the line",
    aisle: "Aisle",
    guide: "Guide line",
  },
  wanted: (goal) => [
    [
      "goal_head",
      goal.kind === "bay" && goal.head === "wheel stop" ? "Tyres to stop" : "To the head",
      "cm",
    ],
  ],
  stood: "Midway between the lines, in line with the bay.",
  Scene: BayScene,
  Controls: BayPanel,
};
