/** How far a learner is, in one line: what they drive, how it goes, and what is missing. */
import { useQuery } from "@tanstack/react-query";
import { standingsQuery } from "../api/queries";
import type { Standing as Told } from "../api/types";
import { useDates } from "../shell/useDates";
import { t } from "../words";

/** Where each of these learners stands, by their id. */
export const useStandings = (learners: number[]): Map<number, Told> => {
  const ids = [...new Set(learners)].sort((a, b) => a - b);
  const { data = [] } = useQuery(standingsQuery(ids));
  return new Map(data.map((one) => [one.learner_id, one]));
};

interface Props {
  stands: Told | undefined;
  /** Where the lesson itself is not told beside it. */
  next?: boolean;
  /** What the lesson is about: a method of that name is not told twice. */
  about?: string;
}

export const Standing = ({ stands, next = false, about = "" }: Props) => {
  const dates = useDates();
  if (!stands) return null;
  const { sheet, next_lesson } = stands;
  const told = [
    sheet
      ? t(sheet.method === about ? "desk.drives in" : "desk.drives", sheet)
      : t("desk.no cue sheet yet"),
    sheet &&
      (sheet.taped > 0
        ? t("desk.met of taped", { met: sheet.met, taped: sheet.taped })
        : t("desk.nothing taped yet")),
    next &&
      (next_lesson
        ? t("desk.comes next", { when: dates.lesson(next_lesson) })
        : t("desk.no lesson booked")),
  ];
  return <>{told.filter(Boolean).join(" · ")}</>;
};
