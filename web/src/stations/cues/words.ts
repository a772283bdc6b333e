/** A cue sheet in the instructor's words. */
import type { Call, Look, MethodBody, Plan } from "../../api/types";
import { degrees, length, roughly, type Units } from "../../shell/units";

const where = (call: Call, units: Units): string => {
  const cue = call.cues[0];
  if (!cue?.feature || cue.offset_m === null) return "";
  const off = Math.abs(cue.offset_m);
  if (off < 0.02) return `level with the ${cue.feature}`;
  const side = cue.along === "x" ? (cue.offset_m > 0 ? "ahead of" : "behind") : "beside";
  return `${length(off, units)} ${side} the ${cue.feature}`;
};

/** Where the neighbour's nearest corner stands in the glass, as a sentence. */
export const cueSentence = (call: Call, units: Units): string => {
  const cue = call.cues[0];
  if (!cue) return "";
  if (cue.through === null) {
    const place = where(call, units);
    return `Hidden by the body here${place ? ` (it would stand ${place})` : ""}. Go by the step before, or lean until it shows.`;
  }
  return `In the ${cue.through}, the corner of the parked vehicle stands ${where(call, units) || "clear of any mark"}.`;
};

/** What the call can be told by besides the eye, one short line. */
export const callDetail = (call: Call, plan: Plan, method: MethodBody, units: Units): string => {
  const kind = method.steps[call.leg - 1]?.until.kind;
  if (kind === "abeam") {
    const past = call.tail_past_m;
    return `own tail ${roughly(Math.abs(past), units)} ${past < 0 ? "short of" : "past"} the parked tail`;
  }
  if (kind === "kerb") return `near rear wheel ${length(call.kerb_rear_m, units)} from the kerb`;
  if (call.number === plan.calls.length)
    return `${degrees(call.angle_deg)} still to go; the wheel takes it off`;
  return `at ${degrees(call.angle_deg)} to the kerb, running on to ${degrees(angleOfRun(plan, call))}`;
};

/** The angle once the wheel has settled: that of the path where the next call comes. */
const angleOfRun = (plan: Plan, call: Call): number => {
  const next = plan.calls[call.number];
  return next?.angle_deg ?? call.angle_deg;
};

export const lookReason = (look: Look, units: Units): string =>
  ({
    reverses: `you are about to cover ${length(look.metres, units)} backwards`,
    "swings out": `the nose swings out ${length(look.metres, units)}`,
    "tail goes in": `the tail goes ${length(look.metres, units)} toward the kerb`,
    "nose goes in": `the nose comes in ${length(look.metres, units)}, past the parked tail`,
  })[look.why];

export const leanSentence = (call: Call, units: Units): string => {
  const cue = call.cues[0];
  if (!cue || cue.lean_image_m === null) return "";
  const late = cue.lean_late_m ?? 0;
  const moved = `lean ${length(cue.lean_m, units)} forward: the picture moves ${length(Math.abs(cue.lean_image_m), units)}`;
  if (Math.abs(late) > 2) return moved;
  return `${moved}, the stop ${length(Math.abs(late), units)} ${late > 0 ? "late" : "early"}`;
};
