/** The kinds of place, by their names in documents. */
import type { Goal, GoalKind } from "../api/types";
import { BAY } from "./bay";
import { CORNER } from "./corner";
import { KERBSIDE } from "./kerbside";
import type { FinishWords, Place } from "./place";
import { STRETCH } from "./stretch";
import { TURNABOUT } from "./turnabout";

export type { ControlsProps, FinishWords, Place } from "./place";

export const PLACES: Record<GoalKind, Place> = {
  kerbside: KERBSIDE,
  bay: BAY,
  turnabout: TURNABOUT,
  corner: CORNER,
  stretch: STRETCH,
};

/** What the figures of a finish are called where a method ends, or that a standard is for. */
export const finishWords = (goal: Goal, { manoeuvre }: { manoeuvre: string }): FinishWords =>
  PLACES[goal.kind].words(goal, manoeuvre);
