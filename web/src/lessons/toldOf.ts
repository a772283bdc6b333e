/** What is told of a lesson in a line: when and where it is, and how far it has come. */
import type { LessonOpened } from "../api/types";
import type { useDates } from "../shell/useDates";
import { t } from "../words";

type Dates = ReturnType<typeof useDates>;

export const whenAndWhere = (lesson: LessonOpened, dates: Dates): string =>
  [
    dates.lesson(lesson.starts),
    t("desk.minutes", { count: lesson.minutes }),
    lesson.instructor,
    lesson.place,
    lesson.about,
  ]
    .filter(Boolean)
    .join(" · ");

export const stateOf = (lesson: LessonOpened, dates: Dates): string => {
  const { begun, ended, cancelled, cancelled_because: because } = lesson;
  if (cancelled)
    return because ? t("lesson.cancelled because", { because }) : t("lesson.cancelled");
  if (begun && ended)
    return t("lesson.from to", { begun: dates.hour(begun), ended: dates.hour(ended) });
  return begun ? t("lesson.since", { begun: dates.hour(begun) }) : t("lesson.yet to begin");
};
