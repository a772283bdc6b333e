import { expect, it } from "vitest";
import type { MockTest } from "../api/types";
import { nextOf } from "./underWay";
import { driven } from "./useMockTests";

const exercise = (sheet_id: number, attempt_id: string | null = null) =>
  ({ sheet_id, attempt_id, cancelled: "" }) as MockTest["exercises"][number];
const under = (...exercises: MockTest["exercises"]) =>
  ({ outcome: null, given_up: null, exercises }) as unknown as MockTest;
const attempt = (id: string, sheet: number, help = "mock test", more = {}) => ({
  what: "attempt" as const,
  left: false,
  refused: null,
  body: { id, sheet, notes: { help } },
  ...more,
});
const next = (tests: MockTest[]) => tests[0] && nextOf(tests[0]);

it("goes on to the next exercise of a mock test while the one before waits to be sent", () => {
  const tests = [under(exercise(5), exercise(5), exercise(6))];
  const one = driven(tests, attempt("a", 5));
  expect(next(one)).toBe(1);
  expect(next(driven(one, attempt("b", 5)))).toBe(2);
  // Sent, though no answer came: it is the same one still.
  expect(next(driven(one, attempt("a", 5)))).toBe(1);
  // Practice, another sheet, and what the server would not have are no exercise of it.
  expect(driven(tests, attempt("c", 5, "from memory"))).toBe(tests);
  expect(driven(tests, attempt("c", 6))).toBe(tests);
  expect(driven(tests, attempt("c", 5, "mock test", { refused: "no" }))).toBe(tests);
  expect(driven(tests, attempt("c", 5, "mock test", { left: true }))).toBe(tests);
  expect(driven([], attempt("c", 5))).toEqual([]);
});
