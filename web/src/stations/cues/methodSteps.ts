/** A method's steps as an editor sees them: what a step may wait for, and changes to the list. */
import type { MethodBody, Vocabulary } from "../../api/types";

export type Step = MethodBody["steps"][number];
export type Until = Step["until"];

/** What a step may wait for, in the instructor's words. */
export const UNTILS: Record<Until["kind"], string> = {
  parallel: "parallel to the kerb",
  heading: "at an angle to the kerb",
  abeam: "own point against a landmark",
  kerb: "own point so far from the kerb",
  edge: "so much room is left to a kerb",
  "gap wanted": "the wanted gap ahead is left",
  travelled: "so many metres are rolled",
  seen: "something is seen to pass a mark",
  "wheel set": "the wheels are set",
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

export const changeStep = (body: MethodBody, index: number, part: Partial<Step>): MethodBody => ({
  ...body,
  steps: body.steps.map((step, i) => (i === index ? { ...step, ...part } : step)),
});

export const addStep = (body: MethodBody, after: number): MethodBody => {
  const step: Step = {
    name: freshName(body, "step"),
    say: "Straight on",
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
