/** A plan as it is sent: exercises with what they are driven with, and no more. */
import type { Docket, Exercise, LessonChange } from "../api/types";

export type Planned = NonNullable<LessonChange["plan"]>[number];

export const asPlanned = ({ what, minutes, docket = null }: Exercise): Planned => ({
  what,
  minutes,
  docket,
});

/** What is on the docket as an exercise. */
export const onTheDocket = (docket: Docket): Omit<Planned, "minutes"> => ({
  what: docket.method.name,
  docket: {
    seat: docket.seat.document_id,
    ground: docket.ground.document_id,
    method: docket.method.document_id,
    standard: docket.standard.document_id,
  },
});

/** An exercise that the server has not told of yet, with what the device knows of its docket. */
export const withNames = (exercise: Exercise, docket: Docket | undefined): Exercise =>
  docket && exercise.made_of === null
    ? {
        ...exercise,
        made_of: {
          vehicle: docket.vehicle.name,
          seat: docket.seat.name,
          ground: docket.ground.name,
          method: docket.method.name,
          standard: docket.standard.name,
        },
        steps: docket.method.body.steps.map(({ say }) => say),
      }
    : exercise;

/** The list with one of its items at another place. */
export const moved = <T>(items: readonly T[], from: number, to: number): T[] => {
  const rest = items.filter((_, i) => i !== from);
  return [...rest.slice(0, to), ...items.slice(from, from + 1), ...rest.slice(to)];
};

export type Made = NonNullable<Planned["docket"]>;

/** Whether that is what is on the docket; by which standard it is judged may be another. */
export const isOn = (docket: Docket, made: Made | null | undefined): boolean =>
  docket.seat.document_id === made?.seat &&
  docket.ground.document_id === made.ground &&
  docket.method.document_id === made.method;

/** The address that puts an exercise of somebody's lesson on the docket. */
export const searchFor = (made: Made, lesson: { id: number; learner_id: number }): string => {
  // One begun here has no number yet that an address could keep.
  const named = lesson.id > 0 ? { lesson: lesson.id } : {};
  const ids = { ...made, learner: lesson.learner_id, ...named };
  return new URLSearchParams(
    Object.entries(ids).map(([stub, id]) => [stub, String(id)]),
  ).toString();
};
