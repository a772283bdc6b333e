/** A cue sheet in the instructor's words. */

import type { Call, Look, MethodBody } from "../../api/types";
import { length, type Units } from "../../shell/units";
import { named, t } from "../../words";

const where = (call: Call, units: Units): string => {
  const cue = call.cues[0];
  if (!cue?.feature || cue.offset_m === null) return "";
  const off = Math.abs(cue.offset_m);
  const said = { off: length(off, units), feature: named(cue.feature) };
  const beyond = cue.offset_m > 0;
  if (off < 0.02) return t("cues.level with", said);
  if (cue.along === "z") return beyond ? t("cues.above", said) : t("cues.below", said);
  if (cue.along === "y") return t("cues.beside", said);
  return beyond ? t("cues.ahead of", said) : t("cues.behind", said);
};

/** Where the neighbour's nearest corner stands in the glass, as a sentence. */
export const cueSentence = (call: Call, method: MethodBody, units: Units): string => {
  const cue = call.cues[0];
  if (!cue && method.references) return t("cues.nothing here to line up");
  if (!cue) return t("cues.this method takes no references");
  if (cue.through === null) {
    const place = where(call, units);
    return place ? t("cues.hidden and would stand", { place }) : t("cues.hidden");
  }
  const seen = { through: named(cue.through), what: named(cue.what) };
  if (call.until.thing !== null)
    return t("cues.passes", { ...seen, mark: named(call.until.own ?? "") });
  if (cue.along === "z") return t("cues.runs", { ...seen, place: where(call, units) });
  const place = where(call, units);
  return place ? t("cues.stands", { ...seen, place }) : t("cues.stands clear", seen);
};

export const lookReason = (look: Look, units: Units): string =>
  t(`cues.look as it ${look.why}`, { by: length(look.metres, units) });

export const leanSentence = (call: Call, units: Units): string => {
  const cue = call.cues[0];
  if (!cue || cue.lean_image_m === null) return "";
  const late = cue.lean_late_m ?? 0;
  const said = {
    lean: length(cue.lean_m, units),
    image: length(Math.abs(cue.lean_image_m), units),
    stop: length(Math.abs(late), units),
  };
  if (Math.abs(late) > 2) return t("cues.lean", said);
  return late > 0 ? t("cues.lean and stop late", said) : t("cues.lean and stop early", said);
};
