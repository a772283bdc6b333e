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
import { asPlanned, moved } from "./planned";
import { useChangeLesson } from "./useLesson";

export const Plan = ({ lesson }: { lesson: LessonOpened }) => {
  const change = useChangeLesson(lesson);
  const offer = useUndo();
  const plan = lesson.exercises.map(asPlanned);
  const sum = plan.reduce((minutes, one) => minutes + one.minutes, 0);
  const put = (next: typeof plan) => change.mutateAsync({ plan: next });
  const take = async (number: number) => {
    await put(plan.filter((_, i) => i !== number));
    const said = t("lesson.taken off", { what: plan[number]?.what ?? "" });
    offer({ said, undo: () => change.mutate({ plan }) });
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
            learner={lesson.learner_id}
            lesson={lesson.id}
            earlier={i > 0 ? () => void put(moved(plan, i, i - 1)) : null}
            takeOff={() => void take(i)}
            last={(minutes) =>
              void put(plan.map((one, at) => (at === i ? { ...one, minutes } : one)))
            }
          />
        ))}
      </Box>
      {change.error && <Alert severity="error">{change.error.message}</Alert>}
      <AddExercise
        left={Math.max(5, lesson.minutes - sum)}
        add={(exercise) => put([...plan, exercise])}
        busy={change.isPending}
      />
    </Panel>
  );
};

interface RowProps {
  number: number;
  exercise: Exercise;
  learner: number;
  lesson: number;
  earlier: (() => void) | null;
  takeOff: () => void;
  last: (minutes: number) => void;
}

const Row = ({ number, exercise, learner, lesson, earlier, takeOff, last }: RowProps) => {
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
        <NumberField label={t("lesson.minutes")} value={minutes} width={84} onCommit={last} />
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
        {docket && <Go docket={{ ...docket, learner, lesson }} />}
        {earlier && <Button onClick={earlier}>{t("lesson.earlier")}</Button>}
        <Button onClick={takeOff} sx={{ color: ink.soft }}>
          {t("lesson.take off")}
        </Button>
      </Box>
    </Box>
  );
};

/** The way to drive it: its docket is put on. */
const Go = ({ docket }: { docket: Record<string, number> }) => {
  const { pathname } = useLocation();
  const on = useDocket();
  const search = new URLSearchParams(
    Object.entries(docket).map(([stub, id]) => [stub, String(id)]),
  ).toString();
  const there =
    on.seat.document_id === docket.seat &&
    on.ground.document_id === docket.ground &&
    on.method.document_id === docket.method &&
    on.learner.id === docket.learner;
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
