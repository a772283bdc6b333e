import { KERB_WORDS, OFF_KERB, type Place } from "../place";
import { RoadScene } from "../road/RoadScene";
import { TurnaboutControls } from "./TurnaboutControls";
import { TurnWidths } from "./TurnWidths";

export const TURNABOUT: Place = {
  fresh: "Road to turn in",
  ends: "Turns round in an empty road",
  side: "Kerb",
  kerbed: true,
  words: () => KERB_WORDS,
  measures: { road_width: "Road width" },
  wanted: () => [OFF_KERB],
  stood: "Facing back, beside the kerb across the road.",
  Scene: RoadScene,
  Controls: TurnaboutControls,
  Aids: TurnWidths,
};
