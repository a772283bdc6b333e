import { t } from "../../words";
import { kerbWords, OFF_KERB, type Place } from "../place";
import { CornerScene } from "./CornerScene";
import { CornerWheel } from "./CornerWheel";

export const CORNER: Place = {
  fresh: "places.corner",
  ends: "places.ends in a side road",
  side: "places.kerb",
  kerbed: true,
  words: () => ({ ...kerbWords(), ahead_m: t("places.nose to the mouth") }),
  measures: {
    corner_radius: "places.radius",
    side_width: "places.side road",
    road_width: "places.road width",
    goal_back: "places.nose to mouth",
  },
  wanted: () => [OFF_KERB],
  stood: "places.in the side road facing",
  Scene: CornerScene,
  Aids: CornerWheel,
};
