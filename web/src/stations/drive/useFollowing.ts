/** The exercise that a lesson's plan has after the one being driven: exercises are chained. */
import { useQuery } from "@tanstack/react-query";
import { lessonQuery, lessonsQuery } from "../../api/queries";
import { useDocket } from "../../shell/useDocket";
import type { Then } from "./useAttemptDraft";

export interface Following {
  what: string;
  where: Then;
}

export const useFollowing = (): Following | null => {
  const docket = useDocket();
  const learner = docket.learner.id;
  const today = useQuery(lessonsQuery({ learner, when: "today" }));
  const under = today.data?.items.find((one) => one.begun !== null && one.ended === null);
  const lesson = useQuery(lessonQuery(under?.id ?? null)).data;
  const driven = lesson?.exercises.filter((one) => one.docket) ?? [];
  const here = driven.findIndex(
    ({ docket: one }) =>
      one?.seat === docket.seat.document_id &&
      one.ground === docket.ground.document_id &&
      one.method === docket.method.document_id,
  );
  const next = here < 0 ? undefined : driven[here + 1];
  if (!lesson || !next?.docket) return null;
  const ids = { ...next.docket, learner, lesson: lesson.id };
  const search = new URLSearchParams(
    Object.entries(ids).map(([stub, id]) => [stub, String(id)]),
  ).toString();
  return { what: next.what, where: { pathname: "/drive", search } };
};
