/** Which lesson is meant, and changes of it: each sends its own part, so that it undoes no other. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { inTheWay } from "../api/client";
import { docketQuery, lastLesson, lessonQuery, lessonsQuery, lessonToday } from "../api/queries";
import type { Exercise, Lesson, LessonChange, LessonOpened } from "../api/types";
import { lessonWith } from "../device/pending";
import { useNoting, useUnsent } from "../device/useUnsent";
import { useDates } from "../shell/useDates";
import { useDocket } from "../shell/useDocket";
import { aboutLesson, begunHere, useBegunHere } from "./begunHere";
import { withNames } from "./planned";

export const useRefreshLessons = () => {
  const client = useQueryClient();
  return () => client.invalidateQueries({ queryKey: ["lessons"] });
};

/** The lesson that the address names, else the one begun here, of today, or the last there was.
 *  `today` is false where it is neither; `id` is null where there was none, undefined until known. */
export const useWhich = () => {
  const [search] = useSearchParams();
  const asked = Number(search.get("lesson")) || null;
  const learner = useDocket().learner.id;
  const today = useQuery({ ...lessonsQuery(lessonToday(learner)), enabled: !asked });
  const last = useQuery({
    ...lessonsQuery(lastLesson(learner)),
    enabled: !asked,
  });
  const { seq } = useBegunHere(learner) ?? {};
  const error = inTheWay(today) ?? inTheWay(last);
  if (asked) return { id: asked, today: true, error: null };
  if (seq) return { id: -seq, today: true, error: null };
  if (!today.data || !last.data) return { id: undefined, today: false, error };
  const held = today.data.items.filter((lesson) => !lesson.cancelled);
  const meant = held.find((lesson) => lesson.ended === null) ?? held.at(-1);
  return { id: (meant ?? last.data.items[0])?.id ?? null, today: meant !== undefined, error };
};

/** What is to be otherwise about a lesson, on the state of it that was last seen. */
export const useChangeLesson = (lesson: Pick<Lesson, "id" | "version" | "learner" | "starts">) => {
  const client = useQueryClient();
  const noting = useNoting();
  const dates = useDates();
  const seen = () => {
    const opened = client.getQueryData(lessonQuery(lesson.id).queryKey);
    return Math.max(opened?.version ?? 0, lesson.version);
  };
  return useMutation({
    // One after the other: the second is based on what the first has made of it.
    scope: { id: `lesson ${lesson.id}` },
    mutationFn: (change: Omit<LessonChange, "based_on">) =>
      // Where somebody else was quicker, what they made of it is fetched with the answer.
      noting({
        what: "lesson",
        of: `${lesson.learner} · ${dates.lesson(lesson.starts)}`,
        about: aboutLesson(lesson),
        method: "put",
        path: "/api/lessons/{lesson_id}",
        params: { lesson_id: lesson.id },
        body: { ...change, based_on: seen() },
      }),
  });
};

/** The lesson with what waits on this device to be made of it. */
export const useLesson = (id: number | null) => {
  const client = useQueryClient();
  const { learner } = useDocket();
  const lesson = useQuery(lessonQuery(id !== null && id > 0 ? id : null));
  const unsent = useUnsent();
  const begun = useBegunHere(learner.id);
  const here = begun && id === -(begun.seq ?? 0) ? begunHere(begun, learner.name) : undefined;
  const there = lesson.data ?? here;
  if (!there) return { ...lesson, data: undefined };
  const data: LessonOpened = lessonWith(there, unsent);
  const known = ({ docket: made }: Exercise) =>
    made
      ? client.getQueryData(docketQuery({ ...made, learner: data.learner_id }).queryKey)
      : undefined;
  const exercises = data.exercises.map((one) => withNames(one, known(one)));
  return { ...lesson, data: { ...data, exercises } };
};
