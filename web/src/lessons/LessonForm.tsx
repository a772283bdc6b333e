/** A lesson booked, moved, cancelled, or described anew. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { ask } from "../api/client";
import { lessonHistoryQuery, sessionQuery } from "../api/queries";
import type { Lesson, LessonChange } from "../api/types";
import { AddForm } from "../desk/AddForm";
import { PersonField, type Somebody } from "../desk/PersonField";
import { useDates } from "../shell/useDates";
import { useDocket } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { Clashes } from "./Clashes";
import { useChangeLesson, useRefreshLessons } from "./useLesson";

interface Typed {
  learner: Somebody;
  instructor: Somebody;
  starts: string;
  minutes: string;
  place: string;
  about: string;
  notes: string;
}

const bodyOf = ({ learner, instructor, minutes, ...rest }: Typed) => ({
  ...rest,
  learner: learner.id,
  instructor: instructor.id,
  minutes: Number(minutes),
});

const typedOf = (lesson: Lesson, starts: string): Typed => ({
  learner: { id: lesson.learner_id, name: lesson.learner },
  instructor: { id: lesson.instructor_id, name: lesson.instructor },
  starts,
  minutes: String(lesson.minutes),
  place: lesson.place,
  about: lesson.about,
  notes: lesson.notes,
});

/** What was typed otherwise than it was: the rest may have been changed meanwhile. */
const otherwise = (typed: Typed, began: Typed) => {
  const before = new Map<string, unknown>(Object.entries(bodyOf(began)));
  const now = Object.entries(bodyOf(typed));
  return Object.fromEntries(now.filter(([name, value]) => before.get(name) !== value));
};

export const BookLesson = () => {
  const docket = useDocket();
  const me = useQuery(sessionQuery).data?.person;
  const refresh = useRefreshLessons();
  const begun: Typed = {
    learner: docket.learner,
    instructor: { id: me?.id ?? 0, name: me?.name ?? "" },
    starts: "",
    minutes: "60",
    place: "",
    about: "",
    notes: "",
  };
  const [typed, setTyped] = useState(begun);
  const add = useMutation({
    mutationFn: () => ask.post("/api/lessons", { body: { ...bodyOf(typed), plan: [] } }),
    onSuccess: async () => {
      setTyped({ ...typed, about: "", notes: "" });
      await refresh();
    },
  });
  return (
    <AddForm action={t("desk.book a lesson")} add={add}>
      <Fields typed={typed} setTyped={setTyped} />
      {add.data && <Clashes of={add.data} />}
    </AddForm>
  );
};

export const ChangeLesson = ({ lesson, close }: { lesson: Lesson; close: () => void }) => {
  const dates = useDates();
  const [began] = useState(() => typedOf(lesson, dates.typed(lesson.starts)));
  const [typed, setTyped] = useState(began);
  const [why, setWhy] = useState<string | null>(null);
  const save = useChangeLesson(lesson);
  const put = (more: Partial<LessonChange> = {}) =>
    save.mutate({ ...otherwise(typed, began), ...more }, { onSuccess: close });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    put();
  };
  return (
    <Box
      component="form"
      aria-label={t("desk.change the lesson")}
      onSubmit={submit}
      sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "center", py: 1 }}
    >
      <Fields typed={typed} setTyped={setTyped} />
      <Button type="submit" variant="contained" disabled={save.isPending}>
        {t("desk.save")}
      </Button>
      {lesson.cancelled ? (
        <Button disabled={save.isPending} onClick={() => put({ cancelled: false })}>
          {t("desk.it takes place")}
        </Button>
      ) : (
        <Button aria-expanded={why !== null} onClick={() => setWhy(why === null ? "" : null)}>
          {t("desk.cancel the lesson")}
        </Button>
      )}
      {why !== null && !lesson.cancelled && (
        <Box sx={{ flexBasis: "100%", display: "flex", flexWrap: "wrap", gap: 1.5 }}>
          <TextField
            size="small"
            autoFocus
            label={t("lesson.why it is cancelled")}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            slotProps={{ htmlInput: { maxLength: 300 } }}
            sx={{ flex: 1, minWidth: 220 }}
          />
          <Button
            variant="contained"
            color="error"
            disabled={save.isPending}
            onClick={() => put({ cancelled: true, cancelled_because: why })}
          >
            {t("lesson.it is cancelled")}
          </Button>
        </Box>
      )}
      {save.error && <Alert severity="error">{save.error.message}</Alert>}
      <Before lesson={lesson} />
    </Box>
  );
};

/** How the lesson was before it was changed, and by whom. */
const Before = ({ lesson }: { lesson: Lesson }) => {
  const dates = useDates();
  const { data = [] } = useQuery(lessonHistoryQuery(lesson.id));
  if (data.length < 2) return null;
  return (
    <Box sx={{ flexBasis: "100%", fontSize: 13, color: ink.soft }}>
      {data.slice(1).map((was, i) => (
        <div key={was.version}>
          {t("desk.was until", {
            // Told until when it held: the state after it began then.
            until: dates.stamp(data[i]?.at ?? was.at),
            by: data[i]?.by || t("desk.nobody here"),
            what: [
              dates.lesson(was.starts),
              t("desk.minutes", { count: was.minutes }),
              was.learner,
              was.instructor,
              was.place,
              was.about,
              was.notes,
              was.plan.map((one) => one.what).join(", "),
              was.learnt,
              was.comes_next,
              was.cancelled && t("desk.cancelled"),
              was.cancelled_because,
            ]
              .filter(Boolean)
              .join(" · "),
          })}
        </div>
      ))}
    </Box>
  );
};

interface FieldsProps {
  typed: Typed;
  setTyped: (typed: Typed) => void;
}

const Fields = ({ typed, setTyped }: FieldsProps) => {
  const text = (key: "place" | "about" | "notes", label: string, more: object = {}) => (
    <TextField
      size="small"
      label={label}
      value={typed[key]}
      onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
      sx={{ flex: 1, minWidth: 180 }}
      {...more}
    />
  );
  return (
    <>
      <PersonField
        label={t("desk.learner")}
        among={{ role: "learner" }}
        value={typed.learner}
        choose={(learner) => setTyped({ ...typed, learner })}
      />
      <PersonField
        label={t("desk.instructor")}
        among={{ teaches: true }}
        value={typed.instructor}
        choose={(instructor) => setTyped({ ...typed, instructor })}
      />
      <TextField
        size="small"
        type="datetime-local"
        label={t("desk.starts")}
        value={typed.starts}
        onChange={(e) => setTyped({ ...typed, starts: e.target.value })}
        required
      />
      <TextField
        size="small"
        type="number"
        label={t("desk.length in minutes")}
        value={typed.minutes}
        onChange={(e) => setTyped({ ...typed, minutes: e.target.value })}
        slotProps={{ htmlInput: { min: 10, max: 480, step: 5 } }}
        sx={{ width: 110 }}
        required
      />
      {text("place", t("desk.meeting place"))}
      {text("about", t("desk.about"))}
      {text("notes", t("desk.lesson notes"), {
        multiline: true,
        helperText: t("desk.the learner reads it"),
      })}
    </>
  );
};
