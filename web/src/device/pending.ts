/** What is shown while it waits to be sent: as it was noted, without what only the server works out. */

import type {
  Attempt,
  Exercise,
  LessonChange,
  LessonOpened,
  MockTest,
  Notes,
  StatedReadings,
  Taped,
} from "../api/types";
import { nextOf, underWay } from "../mock/underWay";
import type { Unsent, What } from "./store";

/** An attempt, and what of it is on this device alone. */
export type Shown = Attempt & { waits: readonly What[] };

/** Attempts on a sheet with what is on the way to them, oldest first. */
export const attemptsWith = (there: Attempt[], unsent: Unsent[], sheet: number): Shown[] => {
  const all = new Map<string, Shown>(there.map((one) => [one.id, { ...one, waits: [] }]));
  for (const one of unsent) {
    if (one.left || (one.refused !== null && one.what !== "attempt")) continue;
    const id = String(one.body.id ?? one.params.attempt_id);
    const before = all.get(id) ?? (one.body.sheet === sheet ? begun(one, id, sheet) : undefined);
    if (before)
      all.set(id, { ...before, ...changed(before, one), waits: [...before.waits, one.what] });
  }
  return [...all.values()];
};

const begun = ({ by, at, body }: Unsent, id: string, sheet: number): Shown => {
  const { started, notes } = body as { started: string; notes: Notes };
  return {
    id,
    cue_sheet_id: sheet,
    instructor: by,
    started,
    notes,
    noted: [{ by, at, notes }],
    readings: null,
    tapings: [],
    beside: [],
    tape: null,
    void: false,
    stated: null,
    off: null,
    recall: null,
    waits: [],
  };
};

/** What one thing makes of an attempt. Whatever hangs on it is worked out by the server alone. */
const changed = (before: Attempt, { what, by, at, body }: Unsent): Partial<Attempt> => {
  switch (what) {
    case "readings": {
      const {
        based_on: _,
        why = "",
        ...readings
      } = body as unknown as Taped & {
        based_on: number;
        why?: string;
      };
      const entry = { by, at, readings, why };
      return { readings, tapings: [...before.tapings, entry], tape: null, off: null };
    }
    case "notes": {
      const { notes } = body as { notes: Notes };
      return { notes, noted: [...before.noted, { by, at, notes }], tape: null, recall: null };
    }
    case "stated":
      return { stated: { at, readings: body as unknown as StatedReadings } };
    case "void":
      return { void: Boolean(body.void) };
    default:
      return {};
  }
};

/** A lesson as it will be once what is on the way to it is there. */
export const lessonWith = (there: LessonOpened, unsent: Unsent[]): LessonOpened => {
  let lesson = there;
  for (const { what, params, refused, left, body } of unsent) {
    if (what !== "lesson" || params.lesson_id !== there.id || refused !== null || left) continue;
    // Who has it is told by name once the server has it.
    const { based_on: _, learner: _l, instructor: _i, ...part } = body as unknown as LessonChange;
    const exercises = part.plan ? planned(part.plan, lesson.exercises) : lesson.exercises;
    const given = Object.fromEntries(Object.entries(part).filter(([, v]) => v !== undefined));
    lesson = { ...lesson, ...given, exercises };
  }
  return lesson;
};

/** What its learner has driven since a lesson began, and only this device knows of. */
export const drivenHere = (
  { learner, begun, ended }: Pick<LessonOpened, "learner" | "begun" | "ended">,
  unsent: Unsent[],
): { seq: number | undefined; started: string; what: string }[] => {
  const whose = `${learner} · `;
  const from = begun === null ? Number.POSITIVE_INFINITY : Date.parse(begun);
  const to = ended === null ? Number.POSITIVE_INFINITY : Date.parse(ended);
  return unsent.flatMap(({ seq, what, of, left, body }) => {
    const started = String(body.started);
    const within = Date.parse(started) >= from && Date.parse(started) <= to;
    const meant = what === "attempt" && !left && of.startsWith(whose) && within;
    return meant ? [{ seq, started, what: of.slice(whose.length) }] : [];
  });
};

type Plan = NonNullable<LessonChange["plan"]>;

/** Exercises of a plan: what was driven of each is known where it stood in the plan before. */
export const planned = (plan: Plan, before: readonly Exercise[]): Exercise[] =>
  plan.map((one) => {
    const same = before.find(
      (other) =>
        other.what === one.what && JSON.stringify(other.docket) === JSON.stringify(one.docket),
    );
    const fresh = { made_of: null, steps: [], attempts: 0, taped: 0, met: 0 };
    return { ...fresh, ...same, ...one };
  });

type Driven = Pick<Unsent, "what" | "left" | "refused" | "body">;

/** A learner's mock tests, newest first: what was driven of one is not to be driven again. */
export const mockTestsWith = (there: MockTest[], unsent: readonly Driven[]): MockTest[] =>
  unsent.reduce(withDriven, there);

const withDriven = (tests: MockTest[], { what, left, refused, body }: Driven): MockTest[] => {
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
