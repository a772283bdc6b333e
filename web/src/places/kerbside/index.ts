import { kerbWords, OFF_KERB, type Place } from "../place";
import { RoadScene } from "../road/RoadScene";
import { KerbsideControls } from "./KerbsideControls";

export const KERBSIDE: Place = {
  fresh: "places.new kerb",
  ends: "places.ends along a kerb behind",
  side: "places.kerb",
  kerbed: true,
  hill: true,
  words: kerbWords,
  measures: {
    ahead_length: "places.length",
    ahead_off_kerb: "places.off the kerb",
    ahead_width: "places.width",
    behind_length: "places.length",
    behind_off_kerb: "places.off the kerb",
    gap: "places.gap",
  },
  grips: {
    gap: "places.move the vehicle behind along",
    ahead_off_kerb: "places.move the vehicle ahead off",
  },
  wanted: () => [OFF_KERB, ["goal_ahead", "places.to vehicle ahead"]],
  Scene: RoadScene,
  Controls: KerbsideControls,
};
