/** The exercise that a lesson's plan has after the one being driven: exercises are chained. */
import { useQuery } from "@tanstack/react-query";
import { lessonsQuery, lessonToday } from "../../api/queries";
import { useBegunHere } from "../../lessons/begunHere";
import { isOn, searchFor } from "../../lessons/planned";
import { useLesson } from "../../lessons/useLesson";
import { useDocket } from "../../shell/useDocket";
import type { Then } from "./useAttemptDraft";

export interface Following {
  what: string;
  where: Then;
}

export const useFollowing = (): Following | null => {
  const docket = useDocket();
  const learner = docket.learner.id;
  const today = useQuery(lessonsQuery(lessonToday(learner)));
  const under = today.data?.items.find((one) => one.begun !== null && one.ended === null);
  const { seq } = useBegunHere(learner) ?? {};
  const lesson = useLesson(seq ? -seq : (under?.id ?? null)).data;
  const driven = lesson?.exercises.filter((one) => one.docket) ?? [];
  const here = driven.findIndex((one) => isOn(docket, one.docket));
  const next = here < 0 ? undefined : driven[here + 1];
  if (!lesson || !next?.docket) return null;
  const search = searchFor(next.docket, lesson);
  return { what: next.what, where: { pathname: "/drive", search } };
};
