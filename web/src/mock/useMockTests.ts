/** A learner's mock tests, newest first, with what was driven of one and is on the way. */
import { useQuery } from "@tanstack/react-query";
import { mockTestsQuery } from "../api/queries";
import type { MockTest } from "../api/types";
import type { Unsent } from "../device/store";
import { useUnsent } from "../device/useUnsent";
import { nextOf, underWay } from "./underWay";

export const useMockTests = (learner: number) => {
  const tests = useQuery(mockTestsQuery(learner));
  const unsent = useUnsent();
  const data = tests.data && unsent.reduce(driven, tests.data);
  return { ...tests, data };
};

/** What was driven as the next exercise of the test under way is not to be driven again. */
export const driven = (
  tests: MockTest[],
  { what, left, refused, body }: Pick<Unsent, "what" | "left" | "refused" | "body">,
): MockTest[] => {
  const test = underWay(tests);
  const next = test && nextOf(test);
  const { help } = (body.notes ?? {}) as { help?: string };
  if (what !== "attempt" || help !== "mock test" || left || refused !== null) return tests;
  if (test === null || next === null || test.exercises[next]?.sheet_id !== body.sheet) return tests;
  // The server may have it already, though the answer did not come.
  if (test.exercises.some((one) => one.attempt_id === body.id)) return tests;
  const exercises = test.exercises.map((one, i) =>
    i === next ? { ...one, attempt_id: String(body.id) } : one,
  );
  return tests.map((one) => (one === test ? { ...test, exercises } : one));
};
