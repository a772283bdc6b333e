/** The exercises of a lesson, in order and with their time; each puts its docket on. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link, useLocation } from "react-router";
import type { Exercise, LessonOpened } from "../api/types";
import { NumberField } from "../shell/NumberField";
import { Panel } from "../shell/Panel";
import { useUndo } from "../shell/Undo";
import { useDocket } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { AddExercise } from "./AddExercise";
import { asPlanned, isOn, type Made, moved, searchFor } from "./planned";
import { useChangeLesson } from "./useLesson";

export const Plan = ({ lesson }: { lesson: LessonOpened }) => {
  const change = useChangeLesson(lesson);
  const offer = useUndo();
  const plan = lesson.exercises.map(asPlanned);
  const sum = plan.reduce((minutes, one) => minutes + one.minutes, 0);
  const put = (next: typeof plan, done?: () => void) =>
    change.mutate({ plan: next }, done && { onSuccess: done });
  const take = (number: number) => {
    const said = t("lesson.taken off", { what: plan[number]?.what ?? "" });
    put(
      plan.filter((_, i) => i !== number),
      () => offer({ said, undo: () => put(plan) }),
    );
  };
  return (
    <Panel
      label={t("lesson.plan")}
      beside={
        plan.length > 0 && (
          <Box sx={{ color: sum > lesson.minutes ? ink.coralText : ink.soft, fontWeight: 650 }}>
            {t(sum > lesson.minutes ? "lesson.more than there is" : "lesson.minutes of", {
              sum,
              minutes: lesson.minutes,
            })}
          </Box>
        )
      }
    >
      {plan.length === 0 && <p>{t("lesson.nothing planned")}</p>}
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {lesson.exercises.map((exercise, i) => (
          <Row
            // biome-ignore lint/suspicious/noArrayIndexKey: the same may be planned twice
            key={`${i} ${exercise.what}`}
            number={i + 1}
            exercise={exercise}
            lesson={lesson}
            // A second change would be of a plan that is not there any more.
            busy={change.isPending}
            earlier={i > 0 ? () => put(moved(plan, i, i - 1)) : null}
            takeOff={() => take(i)}
            last={(minutes) => put(plan.map((one, at) => (at === i ? { ...one, minutes } : one)))}
          />
        ))}
      </Box>
      {change.error && <Alert severity="error">{change.error.message}</Alert>}
      <AddExercise
        left={Math.max(5, lesson.minutes - sum)}
        add={(exercise, done) => put([...plan, exercise], done)}
        busy={change.isPending}
      />
    </Panel>
  );
};

interface RowProps {
  number: number;
  exercise: Exercise;
  lesson: LessonOpened;
  busy: boolean;
  earlier: (() => void) | null;
  takeOff: () => void;
  last: (minutes: number) => void;
}

const Row = ({ number, exercise, lesson, busy, earlier, takeOff, last }: RowProps) => {
  const { what, docket, made_of: made, minutes } = exercise;
  return (
    <Box component="li" sx={{ borderTop: `1px solid ${ink.line}`, py: 1 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1 }}>
        <Box sx={{ flex: 1, minWidth: 180 }}>
          <strong>
            {number}. {what}
          </strong>
          {made && (
            <Box sx={{ fontSize: 14, color: ink.soft }}>
              {[made.method !== what && made.method, made.vehicle, made.ground]
                .filter(Boolean)
                .join(" · ")}
            </Box>
          )}
          {exercise.attempts > 0 && (
            <Box sx={{ fontSize: 14 }}>{t("lesson.figures", { ...exercise })}</Box>
          )}
        </Box>
        <NumberField
          label={t("lesson.minutes")}
          value={minutes}
          width={84}
          readOnly={busy}
          onCommit={last}
        />
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
        {docket && <Go made={docket} lesson={lesson} />}
        {earlier && (
          <Button disabled={busy} onClick={earlier}>
            {t("lesson.earlier")}
          </Button>
        )}
        <Button disabled={busy} onClick={takeOff} sx={{ color: ink.soft }}>
          {t("lesson.take off")}
        </Button>
      </Box>
    </Box>
  );
};

/** The way to drive it: its docket is put on. */
const Go = ({ made, lesson }: { made: Made; lesson: LessonOpened }) => {
  const { pathname } = useLocation();
  const docket = useDocket();
  const search = searchFor(made, lesson);
  const there = isOn(docket, made) && docket.learner.id === lesson.learner_id;
  return (
    <>
      {!there && (
        <Button component={Link} to={{ pathname, search }}>
          {t("desk.put on the docket")}
        </Button>
      )}
      <Button component={Link} to={{ pathname: "/drive", search }} variant="outlined">
        {t("lesson.drive it")}
      </Button>
    </>
  );
};
