/** Steps that are asked for at the end of a lesson. */
import type { Exercise, Recap } from "../api/types";

export const RECALLED = ["alone", "helped", "forgotten"] as const;

interface Asked {
  what: string;
  step: string;
  first: boolean;
}

/** The steps of every exercise; what comes twice in a method is told apart by a number. */
export const stepsOf = (exercises: readonly Exercise[]): Asked[] => {
  const told = new Set<string>();
  return exercises.flatMap(({ what, steps }) => {
    if (told.has(what)) return [];
    told.add(what);
    return steps.map((say, i) => {
      const before = steps.slice(0, i).filter((one) => one === say).length;
      return { what, step: before ? `${say} (${before + 1})` : say, first: i === 0 };
    });
  });
};

export const recalled = (recap: Recap, what: string, step: string) =>
  recap.find((one) => one.what === what && one.step === step)?.recalled ?? null;
