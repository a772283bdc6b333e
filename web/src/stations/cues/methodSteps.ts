/** A method's steps as an editor sees them: what a step may wait for, and changes to the list. */

import type { MethodBody, Pointed, Vocabulary } from "../../api/types";
import { type Code, t } from "../../words";

export type Step = MethodBody["steps"][number];
export type Until = Step["until"];

/** What a step may wait for, in the instructor's words. */
export const UNTILS: Record<Until["kind"], Code> = {
  parallel: "cues.parallel to the kerb",
  heading: "cues.at an angle",
  abeam: "cues.own point against a landmark",
  kerb: "cues.own point so far",
  edge: "cues.so much room is left",
  "gap wanted": "cues.the wanted gap ahead",
  travelled: "cues.so many metres are rolled",
  seen: "cues.something is seen to pass",
  felt: "cues.the tyres meet something",
  "wheel set": "cues.the wheels are set",
};

export const isFitted = (figure: unknown): boolean => typeof figure === "object" && figure !== null;

/** A name for a fitted figure that no other figure of the method has. */
const freshName = (body: MethodBody, what: string): string => {
  const text = JSON.stringify(body);
  let number = 1;
  while (text.includes(`"${what}_${number}"`)) number += 1;
  return `${what}_${number}`;
};

/** A figure left to the fit, under a name of its own. */
export const named = <Fit extends { fit: string }>(body: MethodBody, figure: Fit): Fit => ({
  ...figure,
  fit: freshName(body, figure.fit),
});

/** How events begin where a method ends. */
export const eventsOf = (vocabulary: Vocabulary, { manoeuvre }: MethodBody): Until[] =>
  vocabulary.manoeuvres[manoeuvre]?.events ?? [];

/** A new event of a kind, with everything it needs at its usual figure or left to the fit. */
export const newUntil = (vocabulary: Vocabulary, body: MethodBody, kind: string): Until => {
  const begun = eventsOf(vocabulary, body).find((event) => event.kind === kind);
  if (!begun) throw new Error(`newUntil: no event ${kind} ends here`);
  if ("angle" in begun && typeof begun.angle === "object")
    return { ...begun, angle: named(body, begun.angle) };
  if ("metres" in begun && typeof begun.metres === "object" && begun.kind !== "travelled")
    return { ...begun, metres: named(body, begun.metres) };
  return begun;
};

/** What a step waits for whose call is told by this cue, on whichever side it is driven. */
export const waitingFor = (
  { what, mark: name, left, mirror, through, part }: Pointed,
  side: "left" | "right",
  { sole_marks }: Vocabulary,
): Until => {
  const mark = name ?? "";
  const sided = left === (side === "left") || sole_marks.includes(mark) ? mark : `off ${mark}`;
  return mirror
    ? { kind: "seen", thing: what, mark, through: bySide(through, side), part }
    : { kind: "seen", thing: what, mark: sided, through: null, part };
};

/** What a method calls the whole of a thing, where it could be a part. */
export const ALL = "all of it";

/** A mirror by the side it is on as a method has it: near or off, not left or right. */
export const bySide = (mirror: string, side: "left" | "right"): string => {
  const [first, ...rest] = mirror.split(" ");
  if (first !== "left" && first !== "right") return mirror;
  return [first === side ? "near" : "off", ...rest].join(" ");
};

export const changeStep = (body: MethodBody, index: number, part: Partial<Step>): MethodBody => ({
  ...body,
  steps: body.steps.map((step, i) => (i === index ? { ...step, ...part } : step)),
});

export const addStep = (body: MethodBody, after: number): MethodBody => {
  const step: Step = {
    name: freshName(body, "step"),
    say: t("cues.straight on"),
    gear: body.steps[after]?.gear ?? "reverse",
    wheel: { way: "straight", of_lock: 1, turns: null },
    until: { kind: "travelled", metres: 0.5 },
    looks: [],
    standing: false,
  };
  return { ...body, steps: body.steps.toSpliced(after + 1, 0, step) };
};

export const removeStep = (body: MethodBody, index: number): MethodBody => ({
  ...body,
  steps: body.steps.toSpliced(index, 1),
});

export const moveStep = (body: MethodBody, index: number, by: -1 | 1): MethodBody => {
  const step = body.steps[index];
  if (!step || index + by < 0 || index + by >= body.steps.length) return body;
  return { ...body, steps: body.steps.toSpliced(index, 1).toSpliced(index + by, 0, step) };
};
