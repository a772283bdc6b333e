import type { Goal } from "../../api/types";
import { t } from "../../words";
import type { FinishWords, Place } from "../place";
import { BayPanel } from "./BayPanel";
import { BayScene } from "./BayScene";

/** Of a bay, before a method says which way it is stood in. */
const eitherWay = (): FinishWords => ({
  kerb_front_m: t("places.front wheel to line"),
  kerb_rear_m: t("places.rear wheel to line"),
  ahead_m: t("places.room ahead in the bay"),
  behind_m: t("places.room behind in the bay"),
  edge: t("names.line"),
  kerb_touches: t("places.line or stop touched"),
});

const words = (goal: Goal | null, manoeuvre: string): FinishWords => {
  if (goal?.kind !== "bay") return eitherWay();
  const nosed = manoeuvre === "bay forward";
  const end = nosed ? "nose" : "tail";
  const other = nosed ? "tail" : "nose";
  const head =
    goal.head === "wheel stop" ? t("places.tyres to the stop") : t(`places.${end} to ${goal.head}`);
  const mouth = t(`places.${other} to mouth`);
  return { ...eitherWay(), ahead_m: nosed ? head : mouth, behind_m: nosed ? mouth : head };
};

export const BAY: Place = {
  fresh: "places.new bay",
  ends: "places.ends in a bay",
  side: "places.bay",
  kerbed: false,
  words,
  measures: {
    bay_width: "places.width",
    bay_depth: "places.depth",
    before_off_line: "places.off the line",
    beyond_off_line: "places.off the line",
    aisle: "places.aisle",
    guide: "places.guide line",
  },
  wanted: (goal) => [
    [
      "goal_head",
      goal.kind === "bay" && goal.head === "wheel stop"
        ? "places.tyres to the stop"
        : "places.to the head",
      "cm",
    ],
  ],
  stood: "places.midway between the lines",
  Scene: BayScene,
  Controls: BayPanel,
};
