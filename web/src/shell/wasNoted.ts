/** What is on this device alone, in the person's own words and units. */
import type { Notes } from "../api/types";
import type { Unsent } from "../device/store";
import { figure, measureName } from "../judging/measures";
import { type Code, t } from "../words";
import type { Units } from "./units";

const LABELS: Record<string, Code> = {
  about: "desk.about",
  place: "cues.place",
  notes: "desk.lesson notes",
  learnt: "lesson.learnt",
  comes_next: "lesson.comes next",
  cancelled_because: "desk.cancelled",
  why: "tape.why corrected",
  begun: "lesson.begin",
  ended: "lesson.end",
};
const COUNTS = [
  "seconds",
  "reverse_movements",
  "forward_movements",
  "kerb_touches",
  "kerb_mounts",
  "vehicle_touches",
] as const;

/** moment : how a time is written */
export const wasNoted = (
  { what, body }: Unsent,
  units: Units,
  moment: (iso: string) => string,
): string[] => {
  const notes = body.notes as Notes | string | undefined;
  if ((what === "attempt" || what === "notes") && typeof notes === "object")
    return COUNTS.map((name) => measured(name, notes[name] ?? 0, units));
  return Object.entries(body).flatMap(([name, value]) => {
    const label = LABELS[name];
    if (label && typeof value === "string" && value !== "")
      return [t("tape.count", { label: t(label), count: isTime(name) ? moment(value) : value })];
    return typeof value === "number" && /_(m|deg)$/.test(name)
      ? [measured(name, value, units)]
      : [];
  });
};

const isTime = (name: string) => name === "begun" || name === "ended";

const measured = (name: string, value: number, units: Units): string =>
  t("tape.count", { label: measureName(name), count: figure(name, value, units) });
