/** The diary: lessons to come, then lessons given, with what was driven in them. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { inTheWay } from "../api/client";
import { type LessonsAsked, lessonsQuery } from "../api/queries";
import type { Lesson, Standing as Stands } from "../api/types";
import { Desk } from "../desk/Desk";
import { ListTools } from "../desk/lists/ListTools";
import { Pages } from "../desk/lists/Pages";
import { type List, useList } from "../desk/lists/useList";
import { Standing, useStandings } from "../desk/Standing";
import { useUnsent } from "../device/useUnsent";
import { Failure, Waiting } from "../shell/states";
import { useDates } from "../shell/useDates";
import { useMay } from "../shell/useDocket";
import { useTheDay } from "../shell/useTheDay";
import { ink } from "../theme";
import { t } from "../words";
import { Clashes } from "./Clashes";
import { BookLesson, ChangeLesson } from "./LessonForm";
import { OwnCalendar } from "./OwnCalendar";

const UnsentList = lazy(async () => ({
  default: (await import("../shell/UnsentList")).UnsentList,
}));

type When = NonNullable<LessonsAsked["when"]>;

const Diary = () => {
  const coming = useList("starts");
  const given = useList("-starts");
  const teaches = useMay().teach;
  const day = useTheDay();
  const left = useUnsent().filter((one) => one.left).length;
  const [reading, setReading] = useState(false);
  const dates = useDates();
  const [booking, setBooking] = useState(false);
  const [own, setOwn] = useState(false);
  const both = {
    ...coming,
    setSearch: (words: string) => {
      coming.setSearch(words);
      given.setSearch(words);
    },
  };
  return (
    <Desk title={t("desk.diary")}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
        {teaches && (
          <Button variant="contained" aria-expanded={booking} onClick={() => setBooking(!booking)}>
            {t("desk.book")}
          </Button>
        )}
        <Button variant="outlined" aria-expanded={own} onClick={() => setOwn(!own)}>
          {t("desk.your calendar")}
        </Button>
      </Box>
      {day && day.lessons > 0 && (
        <Box sx={{ fontSize: 14, color: ink.soft }}>
          {t("lesson.the day is here", { count: day.lessons, at: dates.moment(day.at) })}
        </Box>
      )}
      {left > 0 && (
        <Button sx={{ justifySelf: "start" }} onClick={() => setReading(true)}>
          {t("lesson.left out here", { count: left })}
        </Button>
      )}
      {reading && (
        <Suspense>
          <UnsentList close={() => setReading(false)} />
        </Suspense>
      )}
      {booking && <BookLesson />}
      {own && <OwnCalendar />}
      <ListTools list={both} sorts={["starts"]} />
      <Typography variant="h2">{t("desk.to come")}</Typography>
      <Lessons when="coming" sort="starts" list={coming} none={t("desk.no lesson is booked")} />
      <Typography variant="h2">{t("desk.given")}</Typography>
      <Lessons when="given" sort="-starts" list={given} none={t("desk.no lesson was given yet")} />
    </Desk>
  );
};

interface Props {
  when: When;
  sort: "starts" | "-starts";
  list: Pick<List<string>, "asked" | "page" | "setPage" | "pages">;
  none: string;
}

const Lessons = ({ when, sort, list, none }: Props) => {
  const lessons = useQuery(lessonsQuery({ ...list.asked, sort, when }));
  // How far somebody was then is not told: only what comes is prepared for.
  const coming = when === "coming" ? (lessons.data?.items ?? []) : [];
  const standings = useStandings(coming.map((one) => one.learner_id));
  const failed = inTheWay(lessons);
  if (failed) return <Failure error={failed} retry={() => void lessons.refetch()} />;
  if (!lessons.data) return <Waiting />;
  return (
    <>
      {lessons.data.items.length > 0 && (
        <Paper component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
          {lessons.data.items.map((lesson) => (
            <Row key={lesson.id} lesson={lesson} stands={standings.get(lesson.learner_id)} />
          ))}
        </Paper>
      )}
      <Pages list={list} count={lessons.data.count} none={none} />
    </>
  );
};

interface RowProps {
  lesson: Lesson;
  stands: Stands | undefined;
}

const Row = ({ lesson, stands }: RowProps) => {
  const dates = useDates();
  const teaches = useMay().teach;
  const [open, setOpen] = useState(false);
  const struck = lesson.cancelled ? { textDecoration: "line-through" } : {};
  return (
    <Box component="li" sx={{ px: 2, py: 0.5, borderBottom: `1px solid ${ink.line}` }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, minHeight: 44 }}>
        <Box sx={{ width: 250, ...struck }}>
          {dates.lesson(lesson.starts)} · {t("desk.minutes", { count: lesson.minutes })}
        </Box>
        <Box sx={{ width: 120, fontWeight: 700 }}>{lesson.learner}</Box>
        <Box sx={{ width: 120 }}>{lesson.instructor}</Box>
        <Box sx={{ flex: 1, minWidth: 120, color: ink.soft }}>
          {lesson.cancelled && (
            <strong>{[t("desk.cancelled"), lesson.cancelled_because].join(" ")} </strong>
          )}
          {[lesson.place, lesson.about].filter(Boolean).join(" · ")}
          {lesson.attempts > 0 && t("desk.attempts", { count: lesson.attempts })}
        </Box>
        <Button
          component={Link}
          to={{ pathname: "/lesson", search: `learner=${lesson.learner_id}&lesson=${lesson.id}` }}
        >
          {t("lesson.open")}
        </Button>
        {teaches && (
          <Button aria-expanded={open} onClick={() => setOpen(!open)}>
            {t("desk.change")}
          </Button>
        )}
      </Box>
      <Box sx={{ fontSize: 14, pb: 0.75 }}>
        <Standing stands={stands} about={lesson.about} />
        <Clashes of={lesson} />
      </Box>
      {lesson.notes && <Box sx={{ pb: 0.5, whiteSpace: "pre-wrap" }}>{lesson.notes}</Box>}
      {open && <ChangeLesson lesson={lesson} close={() => setOpen(false)} />}
    </Box>
  );
};

export default Diary;
