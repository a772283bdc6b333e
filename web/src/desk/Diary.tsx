/** The diary: lessons to come, then lessons given, with what was driven in them. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../api/client";
import { lessonsQuery } from "../api/queries";
import type { Lesson } from "../api/types";
import { Failure, Waiting } from "../shell/states";
import { useDates } from "../shell/useDates";
import { useChangeDocket, useDocket, useRole } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { AddForm } from "./AddForm";
import { Desk } from "./Desk";

const Diary = () => {
  const lessons = useQuery(lessonsQuery);
  const teaches = useRole() !== "learner";
  if (lessons.error) return <Failure error={lessons.error} retry={() => void lessons.refetch()} />;
  if (!lessons.data) return <Waiting />;
  const now = Date.now();
  const coming = lessons.data.filter((l) => Date.parse(l.starts) >= now);
  const given = lessons.data.filter((l) => Date.parse(l.starts) < now).reverse();
  return (
    <Desk title={t("desk.diary")}>
      {teaches && <AddLesson />}
      <Typography variant="h2">{t("desk.to come")}</Typography>
      <Lessons lessons={coming} none={t("desk.no lesson is booked")} />
      <Typography variant="h2">{t("desk.given")}</Typography>
      <Lessons lessons={given} none={t("desk.no lesson was given yet")} />
    </Desk>
  );
};

const Lessons = ({ lessons, none }: { lessons: Lesson[]; none: string }) => {
  const change = useChangeDocket();
  const dates = useDates();
  if (lessons.length === 0) return <Paper sx={{ p: 2 }}>{none}</Paper>;
  return (
    <Paper>
      {lessons.map((lesson) => (
        <Box
          key={lesson.id}
          sx={{
            display: "flex",
            alignItems: "center",
            gap: 2,
            px: 2,
            minHeight: 48,
            borderBottom: `1px solid ${ink.line}`,
          }}
        >
          <Box sx={{ width: 190 }}>{dates.lesson(lesson.starts)}</Box>
          <Box sx={{ width: 150, fontWeight: 700 }}>{lesson.learner}</Box>
          <Box sx={{ width: 130 }}>{lesson.instructor}</Box>
          <Box sx={{ flex: 1, color: ink.soft }}>
            {lesson.about}
            {lesson.attempts > 0 && t("desk.attempts", { count: lesson.attempts })}
          </Box>
          <Button onClick={() => change({ learner: lesson.learner_id })}>
            {t("desk.put on the docket")}
          </Button>
        </Box>
      ))}
    </Paper>
  );
};

const AddLesson = () => {
  const docket = useDocket();
  const client = useQueryClient();
  const [starts, setStarts] = useState("");
  const [about, setAbout] = useState("");
  const add = useMutation({
    mutationFn: () =>
      ask.post("/api/lessons", {
        body: {
          learner: docket.learner.id,
          starts,
          minutes: 60,
          about,
        },
      }),
    onSuccess: async () => {
      setAbout("");
      await client.invalidateQueries({ queryKey: ["lessons"] });
    },
  });
  return (
    <AddForm action={t("desk.book a lesson")} add={add}>
      <Box sx={{ fontWeight: 700 }}>{docket.learner.name}</Box>
      <TextField
        size="small"
        type="datetime-local"
        label={t("desk.starts")}
        value={starts}
        onChange={(e) => setStarts(e.target.value)}
        required
      />
      <TextField
        size="small"
        label={t("desk.about")}
        value={about}
        onChange={(e) => setAbout(e.target.value)}
        sx={{ flex: 1 }}
      />
    </AddForm>
  );
};

export default Diary;
