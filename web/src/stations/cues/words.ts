/** A cue sheet in the instructor's words. */
import type { Call, Look, MethodBody, Plan } from "../../api/types";
import { degrees, length, roughly, type Units } from "../../shell/units";

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

const OWN: Record<string, string> = {
  "rear bumper": "own tail",
  "front bumper": "own nose",
  mirror: "own mirror",
  "rear wheel": "near rear wheel",
  "front wheel": "near front wheel",
};
const LANDMARKS: Record<string, string> = {
  "tail ahead": "the parked tail",
  "nose ahead": "the nose of the one ahead",
  "nose behind": "the nose of the one behind",
  "near line": "the near line",
  "far line": "the far line",
  head: "the head of the bay",
  mark: "the mark",
  stop: "the place to stop",
  "corner start": "the first curved kerbstone",
  corner: "the side road's kerb",
  mouth: "the mouth of the side road",
};

/** What the call can be told by besides the eye, one short line. */
export const callDetail = (call: Call, plan: Pick<Plan, "calls">, units: Units): string => {
  const { kind, own, landmark, edge, thing, metres } = call.until;
  if (thing !== null) return `when the ${thing} passes the ${own}`;
  const point = OWN[own ?? ""] ?? own;
  if (landmark !== null && metres !== null) {
    const place = LANDMARKS[landmark] ?? landmark;
    if (Math.abs(metres) < 0.03) return `${point} level with ${place}`;
    return `${point} ${roughly(Math.abs(metres), units)} ${metres < 0 ? "short of" : "past"} ${place}`;
  }
  if (edge !== null)
    return `${length(metres, units)} left to the ${edge}, from what would meet it first`;
  if (kind === "kerb") return `${point} ${length(metres, units)} from the kerb`;
  if (kind === "parallel")
    return `${degrees(Math.abs(call.angle_deg))} still to go; the wheel takes it off`;
  if (kind === "wheel set") return "as soon as the wheels are straight";
  if (kind === "travelled") return `after ${length(call.s_m, units)} in all`;
  return `at ${degrees(Math.abs(call.angle_deg))} to the kerb, running on to ${degrees(Math.abs(angleOfRun(plan, call)))}`;
};

/** The angle once the wheel has settled: that of the path where the next call comes. */
const angleOfRun = (plan: Pick<Plan, "calls">, call: Call): number => {
  const next = plan.calls[call.number];
  return next?.angle_deg ?? call.angle_deg;
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
