/** A cue sheet in the instructor's words. */
import type { Call, Look, MethodBody } from "../../api/types";
import { length, type Units } from "../../shell/units";

const where = (call: Call, units: Units): string => {
  const cue = call.cues[0];
  if (!cue?.feature || cue.offset_m === null) return "";
  const off = Math.abs(cue.offset_m);
  if (off < 0.02) return `level with the ${cue.feature}`;
  if (cue.along === "z")
    return `${length(off, units)} ${cue.offset_m > 0 ? "above" : "below"} the ${cue.feature}`;
  const side = cue.along === "x" ? (cue.offset_m > 0 ? "ahead of" : "behind") : "beside";
  return `${length(off, units)} ${side} the ${cue.feature}`;
};

/** Where the neighbour's nearest corner stands in the glass, as a sentence. */
export const cueSentence = (call: Call, method: MethodBody, units: Units): string => {
  const cue = call.cues[0];
  if (!cue && method.references)
    return "Nothing here to line up on: the list says what to wait for.";
  if (!cue)
    return "This method takes no references: watch for what the list says, and judge it in the mirror.";
  if (cue.through === null) {
    const place = where(call, units);
    return `Hidden by the body here${place ? ` (it would stand ${place})` : ""}. Go by the step before, or lean until it shows.`;
  }
  if (call.until.thing !== null)
    return `In the ${cue.through}, the ${cue.what} passes the ${call.until.own}.`;
  if (cue.along === "z")
    return `In the ${cue.through}, the ${cue.what} runs ${where(call, units)}.`;
  return `In the ${cue.through}, the ${cue.what} stands ${where(call, units) || "clear of any mark"}.`;
};

export const lookReason = (look: Look, units: Units): string =>
  ({
    reverses: `you are about to cover ${length(look.metres, units)} backwards`,
    "drives on": `you are about to cover ${length(look.metres, units)} forward`,
    "swings out": `the nose swings out ${length(look.metres, units)}`,
    "tail goes in": `the tail goes in ${length(look.metres, units)}`,
    "rear cuts in": `the near rear wheel runs ${length(look.metres, units)} inside the front one`,
    "nose goes in": `the nose comes in ${length(look.metres, units)}`,
  })[look.why];

export const leanSentence = (call: Call, units: Units): string => {
  const cue = call.cues[0];
  if (!cue || cue.lean_image_m === null) return "";
  const late = cue.lean_late_m ?? 0;
  const moved = `lean ${length(cue.lean_m, units)} forward: the picture moves ${length(Math.abs(cue.lean_image_m), units)}`;
  if (Math.abs(late) > 2) return moved;
  return `${moved}, the stop ${length(Math.abs(late), units)} ${late > 0 ? "late" : "early"}`;
};
