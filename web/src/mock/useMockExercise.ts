import type { Sheet } from "../api/types";
import { nextOf, numberOf, underWay } from "./underWay";
import { useMockTests } from "./useMockTests";

/** Which exercise of a mock test under way a sheet is to be driven as; null where it is none. */
export const useMockExercise = (sheet: Sheet): { number: number; of: number } | null => {
  const { data = [] } = useMockTests(sheet.learner_id);
  const test = underWay(data);
  const next = test && nextOf(test);
  if (test === null || next === null || test.exercises[next]?.sheet_id !== sheet.id) return null;
  const of = test.exercises.filter(({ cancelled }) => !cancelled).length;
  return { number: numberOf(test, next), of };
};
