import { KERB_WORDS, OFF_KERB, type Place } from "../place";
import { RoadScene } from "../road/RoadScene";
import { StretchAids } from "./StretchAids";

export const STRETCH: Place = {
  fresh: "Free kerb",
  ends: "Goes along a free kerb",
  side: "Kerb",
  kerbed: true,
  words: () => ({ ...KERB_WORDS, ahead_m: "Nose to the post" }),
  measures: { road_width: "Road width", goal_run: "To reverse" },
  wanted: () => [OFF_KERB, ["goal_short", "Nose to the post", "cm"]],
  stood: "Along the kerb. A kerbside stop ends before the post; the others reverse from there.",
  Scene: RoadScene,
  Aids: StretchAids,
};
