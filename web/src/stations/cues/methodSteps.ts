/** A method's steps as an editor sees them: what a step may wait for, and changes to the list. */
import type { FitAngle, FitMetres, FitShare, MethodBody, Vocabulary } from "../../api/types";
import { goalOf } from "../../drawing/berth";

export type Step = MethodBody["steps"][number];
export type Until = Step["until"];

/** What can be named at the kind of place where a method ends. */
export const placeOf = (vocabulary: Vocabulary, body: MethodBody) =>
  vocabulary.places[goalOf(body)] ?? { landmarks: [], things: [], gap_to: "mark" };

/** What a step may wait for, in the instructor's words. */
export const UNTILS: Record<string, string> = {
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

const METRES: Omit<FitMetres, "fit"> = { low_m: -2, high_m: 2.5, prefer_m: 0.3 };
const FROM_KERB: Omit<FitMetres, "fit"> = { low_m: 0.3, high_m: 2.4, prefer_m: 1 };
const ANGLE: Omit<FitAngle, "fit"> = { low_deg: 15, high_deg: 55, prefer_deg: 32 };
const SHARE: Omit<FitShare, "fit"> = { low: 0.4, high: 1, prefer: 0.7 };

export const isFitted = (figure: unknown): boolean => typeof figure === "object" && figure !== null;

/** A name for a fitted figure that no other figure of the method has. */
const freshName = (body: MethodBody, what: string): string => {
  const text = JSON.stringify(body);
  let number = 1;
  while (text.includes(`"${what}_${number}"`)) number += 1;
  return `${what}_${number}`;
};

export const fittedAmount = (body: MethodBody): FitShare => ({
  fit: freshName(body, "amount"),
  ...SHARE,
});
export const fittedAngle = (body: MethodBody): FitAngle => ({
  fit: freshName(body, "angle"),
  ...ANGLE,
});
export const fittedMetres = (body: MethodBody, kind: string): FitMetres => ({
  fit: freshName(body, "place"),
  ...(kind === "kerb" ? FROM_KERB : METRES),
});

/** A new event of a kind, with everything it needs left to the fit or at its usual figure. */
export const newUntil = (vocabulary: Vocabulary, body: MethodBody, kind: string): Until => {
  const place = placeOf(vocabulary, body);
  if (kind === "heading") return { kind, angle: fittedAngle(body) };
  if (kind === "abeam")
    return {
      kind,
      own: "rear bumper",
      landmark: place.landmarks[0] ?? "",
      metres: fittedMetres(body, kind),
    };
  if (kind === "kerb") return { kind, own: "rear wheel", metres: fittedMetres(body, kind) };
  if (kind === "edge") return { kind, edge: "far kerb", metres: fittedMetres(body, "kerb") };
  if (kind === "gap wanted") {
    const own = body.manoeuvre === "bay reverse" ? "rear bumper" : "front bumper";
    return { kind, own, landmark: place.gap_to };
  }
  if (kind === "travelled") return { kind, metres: 1 };
  if (kind === "seen") return { kind, mark: "B-pillar", thing: place.things[0] ?? "cone 1" };
  return { kind };
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
    wheel: { way: "straight", of_lock: 1 },
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
