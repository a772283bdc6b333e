import { KERB_WORDS, OFF_KERB, type Place } from "../place";
import { CornerScene } from "./CornerScene";
import { CornerWheel } from "./CornerWheel";

export const CORNER: Place = {
  fresh: "Corner",
  ends: "Ends in a side road",
  side: "Kerb",
  kerbed: true,
  words: () => ({ ...KERB_WORDS, ahead_m: "Nose to the mouth" }),
  measures: {
    corner_radius: "Radius",
    side_width: "Side road",
    road_width: "Road width",
    goal_back: "Nose to mouth",
  },
  wanted: () => [OFF_KERB],
  stood: "In the side road, facing out, far enough in that others can turn in.",
  Scene: CornerScene,
  Aids: CornerWheel,
};
