import { kerbWords, OFF_KERB, type Place } from "../place";
import { RoadScene } from "../road/RoadScene";
import { TurnaboutControls } from "./TurnaboutControls";
import { TurnWidths } from "./TurnWidths";

export const TURNABOUT: Place = {
  fresh: "places.road to turn in",
  ends: "places.turns round in an empty",
  side: "places.kerb",
  kerbed: true,
  words: kerbWords,
  measures: { road_width: "places.road width" },
  wanted: () => [OFF_KERB],
  stood: "places.facing back beside the kerb",
  Scene: RoadScene,
  Controls: TurnaboutControls,
  Aids: TurnWidths,
};
