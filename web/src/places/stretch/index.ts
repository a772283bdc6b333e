import { t } from "../../words";
import { kerbWords, OFF_KERB, type Place } from "../place";
import { RoadScene } from "../road/RoadScene";
import { StretchAids } from "./StretchAids";

export const STRETCH: Place = {
  fresh: "places.free kerb",
  ends: "places.goes along a free kerb",
  side: "places.kerb",
  kerbed: true,
  hill: true,
  words: () => ({ ...kerbWords(), ahead_m: t("places.nose to the post") }),
  measures: { road_width: "places.road width", goal_run: "places.to reverse" },
  wanted: () => [OFF_KERB, ["goal_short", "places.nose to the post", "cm"]],
  stood: "places.along the kerb a kerbside",
  Scene: RoadScene,
  Aids: StretchAids,
};
