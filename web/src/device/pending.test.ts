import { expect, it } from "vitest";
import type { Attempt, LessonOpened, MockTest } from "../api/types";
import { nextOf } from "../mock/underWay";
import { attemptsWith, drivenHere, lessonWith, mockTestsWith } from "./pending";
import type { Unsent, What } from "./store";

const SHEET = 5;

const unsent = (what: What, body: object, more: Partial<Unsent> = {}): Unsent => ({
  person: 7,
  by: "Oda",
  at: "2026-05-05T10:00:00Z",
  what,
  of: "any",
  about: "any",
  method: "put",
  path: "any",
  params: { attempt_id: "one" },
  body: { ...body },
  refused: null,
  left: false,
  ...more,
});

const begun = (more: Partial<Unsent> = {}, sheet = SHEET) =>
  unsent(
    "attempt",
    { id: "one", sheet, started: "2026-05-05T09:00:00Z", notes: {} },
    { params: {}, ...more },
  );
const taped = (kerb: number, based_on: number, more: Partial<Unsent> = {}) =>
  unsent(
    "readings",
    { kerb_front_m: kerb, by_eye: {}, based_on, why: based_on ? "slip" : "" },
    more,
  );

it("an attempt noted here is there, taped and corrected, and has no verdict of ours", () => {
  const [one, ...others] = attemptsWith([], [begun(), taped(0.3, 0), taped(0.25, 1)], SHEET);
  expect(others).toEqual([]);
  expect(one).toMatchObject({ id: "one", instructor: "Oda", tape: null, void: false });
  expect(one?.readings).toEqual({ kerb_front_m: 0.25, by_eye: {} });
  expect(one?.tapings.map(({ why, by }) => [why, by])).toEqual([
    ["", "Oda"],
    ["slip", "Oda"],
  ]);
  expect(one?.waits).toEqual(["attempt", "readings", "readings"]);
});

it("it is on its own sheet alone, and what the server has by now stands as it has it", () => {
  expect(attemptsWith([], [begun({}, 6), taped(0.3, 0)], SHEET)).toEqual([]);
  const there = { id: "one", void: true, tapings: [] } as unknown as Attempt;
  const [one, ...others] = attemptsWith([there], [begun()], SHEET);
  expect(others).toEqual([]);
  expect(one?.void).toBe(true);
});

it("excluded, said and corrected offline: each shows at once, and no verdict on what was before", () => {
  const verdict = { pose: {} } as unknown as Attempt["tape"];
  const there = { id: "one", void: false, noted: [], tapings: [], tape: verdict, recall: {} };
  const shown = (...changes: Unsent[]) =>
    attemptsWith([there as unknown as Attempt], changes, SHEET)[0];
  expect(shown(unsent("void", { void: true }))?.void).toBe(true);
  expect(shown(unsent("void", { void: true }), unsent("void", { void: false }))?.void).toBe(false);
  expect(shown(unsent("stated", { kerb_front_m: 0.3 }))).toMatchObject({
    stated: { at: "2026-05-05T10:00:00Z", readings: { kerb_front_m: 0.3 } },
    tape: verdict,
  });
  const corrected = shown(unsent("notes", { notes: { seconds: 50 } }));
  expect(corrected).toMatchObject({ notes: { seconds: 50 }, tape: null, recall: null });
  expect(corrected?.noted).toHaveLength(1);
});

it("what was not accepted, or is left out, changes nothing; an attempt is still to be seen", () => {
  const there = { id: "one", readings: null, tapings: [] } as unknown as Attempt;
  const no = { refused: "no" };
  expect(attemptsWith([there], [taped(0.3, 0, no)], SHEET)[0]?.readings).toBeNull();
  expect(attemptsWith([], [begun(no)], SHEET)).toHaveLength(1);
  expect(attemptsWith([], [begun({ left: true })], SHEET)).toEqual([]);
});

it("a lesson is as it will be: what was given of it, in turn, and nothing else of it", () => {
  const exercise = { what: "Park", minutes: 20, docket: null, made_of: null, steps: ["a"] };
  const figures = { attempts: 3, taped: 2, met: 1 };
  const lesson = {
    id: 4,
    version: 7,
    notes: "before",
    begun: null,
    place: "yard",
    exercises: [{ ...exercise, ...figures }],
  } as unknown as LessonOpened;
  const of = (body: object, more: Partial<Unsent> = {}) =>
    unsent("lesson", { ...body, based_on: 7 }, { params: { lesson_id: 4 }, ...more });
  const plan = [
    { what: "Turn", minutes: 10, docket: null },
    { what: "Park", minutes: 25, docket: null },
  ];
  const made = lessonWith(lesson, [
    of({ notes: "first", begun: "2026-05-05T09:00:00Z" }),
    of({ notes: "second", plan }),
    of({ notes: "no" }, { refused: "no" }),
    of({ place: undefined }),
    of({ notes: "another's" }, { params: { lesson_id: 5 } }),
  ]);
  expect(made).toMatchObject({ notes: "second", begun: "2026-05-05T09:00:00Z", place: "yard" });
  expect(made.version).toBe(7);
  expect(made.exercises.map(({ what, minutes, attempts }) => [what, minutes, attempts])).toEqual([
    ["Turn", 10, 0],
    ["Park", 25, 3],
  ]);
});

const exercise = (sheet_id: number, attempt_id: string | null = null) =>
  ({ sheet_id, attempt_id, cancelled: "" }) as MockTest["exercises"][number];
const under = (...exercises: MockTest["exercises"]) =>
  ({ outcome: null, given_up: null, exercises }) as unknown as MockTest;
const driven = (id: string, sheet: number, help = "mock test", more = {}) => ({
  what: "attempt" as const,
  left: false,
  refused: null,
  body: { id, sheet, notes: { help } },
  ...more,
});
const nextOne = (tests: MockTest[]) => tests[0] && nextOf(tests[0]);

it("goes on to the next exercise of a mock test while the one before waits to be sent", () => {
  const tests = [under(exercise(5), exercise(5), exercise(6))];
  const one = mockTestsWith(tests, [driven("a", 5)]);
  expect(nextOne(one)).toBe(1);
  expect(nextOne(mockTestsWith(one, [driven("b", 5)]))).toBe(2);
  // Sent, though no answer came: it is the same one still.
  expect(nextOne(mockTestsWith(one, [driven("a", 5)]))).toBe(1);
  // Practice, another sheet, and what the server would not have are no exercise of it.
  expect(mockTestsWith(tests, [driven("c", 5, "from memory")])).toBe(tests);
  expect(mockTestsWith(tests, [driven("c", 6)])).toBe(tests);
  expect(mockTestsWith(tests, [driven("c", 5, "mock test", { refused: "no" })])).toBe(tests);
  expect(mockTestsWith(tests, [driven("c", 5, "mock test", { left: true })])).toBe(tests);
  expect(mockTestsWith([], [driven("c", 5)])).toEqual([]);
});

it("what was driven in a lesson and waits here is told, and nothing else is", () => {
  const lesson = { learner: "Ines", begun: "2026-05-05T08:00:00Z", ended: "2026-05-05T10:00:00Z" };
  const all = [
    begun({ of: "Ines · Park", seq: 4 }),
    begun({ of: "Ines Two · Park" }),
    begun({ of: "Ines · Turn", left: true }),
    taped(0.3, 0, { of: "Ines · Park" }),
  ];
  const told = [{ seq: 4, started: "2026-05-05T09:00:00Z", what: "Park" }];
  expect(drivenHere(lesson, all)).toEqual(told);
  expect(drivenHere({ ...lesson, ended: null }, all)).toEqual(told);
  expect(drivenHere({ ...lesson, begun: null }, all)).toEqual([]);
  expect(drivenHere({ ...lesson, begun: "2026-05-05T09:30:00Z" }, all)).toEqual([]);
  expect(drivenHere({ ...lesson, ended: "2026-05-05T08:30:00Z" }, all)).toEqual([]);
});
