/** A lesson booked, moved, cancelled, or described anew. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { ask } from "../api/client";
import { lessonHistoryQuery, sessionQuery } from "../api/queries";
import type { Lesson } from "../api/types";
import { useDates } from "../shell/useDates";
import { useDocket } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { AddForm } from "./AddForm";
import { Clashes } from "./Clashes";
import { PersonField, type Somebody } from "./PersonField";

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

const useRefresh = () => {
  const client = useQueryClient();
  return () => client.invalidateQueries({ queryKey: ["lessons"] });
};

export const BookLesson = () => {
  const docket = useDocket();
  const me = useQuery(sessionQuery).data?.person;
  const refresh = useRefresh();
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
    mutationFn: () => ask.post("/api/lessons", { body: bodyOf(typed) }),
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
  const refresh = useRefresh();
  const [typed, setTyped] = useState<Typed>({
    learner: { id: lesson.learner_id, name: lesson.learner },
    instructor: { id: lesson.instructor_id, name: lesson.instructor },
    starts: dates.typed(lesson.starts),
    minutes: String(lesson.minutes),
    place: lesson.place,
    about: lesson.about,
    notes: lesson.notes,
  });
  const save = useMutation({
    mutationFn: (cancelled: boolean) =>
      ask.put("/api/lessons/{lesson_id}", {
        params: { path: { lesson_id: lesson.id } },
        body: { ...bodyOf(typed), cancelled, based_on: lesson.version },
      }),
    onSuccess: async () => {
      await refresh();
      close();
    },
    // Somebody else may have been quicker: what they made of it is fetched.
    onError: refresh,
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save.mutate(lesson.cancelled);
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
      <Button disabled={save.isPending} onClick={() => save.mutate(!lesson.cancelled)}>
        {lesson.cancelled ? t("desk.it takes place") : t("desk.cancel the lesson")}
      </Button>
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
              was.cancelled && t("desk.cancelled"),
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
