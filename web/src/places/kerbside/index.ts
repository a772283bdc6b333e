import { KERB_WORDS, OFF_KERB, type Place } from "../place";
import { RoadScene } from "../road/RoadScene";
import { KerbsideControls } from "./KerbsideControls";

export const KERBSIDE: Place = {
  fresh: "New kerb",
  ends: "Ends along a kerb, behind a parked vehicle",
  side: "Kerb",
  kerbed: true,
  words: () => KERB_WORDS,
  measures: {
    ahead_length: "Length",
    ahead_off_kerb: "Off the kerb",
    ahead_width: "Width",
    behind_length: "Length",
    behind_off_kerb: "Off the kerb",
    gap: "Gap",
  },
  grips: {
    gap: "Move the vehicle behind along the kerb",
    ahead_off_kerb: "Move the vehicle ahead off the kerb",
  },
  wanted: () => [OFF_KERB, ["goal_ahead", "To vehicle ahead"]],
  Scene: RoadScene,
  Controls: KerbsideControls,
};
