/** A lesson begun on this device that the server has not got: as it is shown until it has.
 *
 *  Its number is below nought: its place in what waits here. What it is changed to waits behind it.
 */
import type { LessonIn, LessonOpened } from "../api/types";
import { planned } from "../device/pending";
import type { Unsent } from "../device/store";
import { useUnsent } from "../device/useUnsent";

export const isBegunHere = ({ id }: Pick<LessonOpened, "id">): boolean => id < 0;

/** What changes of a lesson are about, so that they keep their order. */
export const aboutLesson = ({ id, starts }: Pick<LessonOpened, "id" | "starts">): string =>
  id > 0 ? `lesson ${id}` : `lesson of ${starts}`;

/** The one that somebody's learner has here, if any. */
export const useBegunHere = (learner: number): Unsent | undefined =>
  useUnsent().find(
    ({ what, body, refused, left }) =>
      what === "lesson begun" && body.learner === learner && refused === null && !left,
  );

/** As the server will have it; what its exercises are driven with is filled in by `withNames`. */
export const begunHere = ({ seq = 0, person, by, body }: Unsent, name: string): LessonOpened => {
  const { learner, starts, begun = null, minutes, about, place, notes, plan } = body as LessonIn;
  return {
    id: -seq,
    learner_id: learner,
    learner: name,
    instructor_id: person,
    instructor: by,
    starts,
    minutes,
    about,
    place,
    notes,
    cancelled: false,
    cancelled_because: "",
    begun,
    ended: null,
    plan,
    recap: [],
    learnt: "",
    comes_next: "",
    version: 0,
    attempts: 0,
    clashes: [],
    exercises: planned(plan, []),
    driven: [],
  };
};
