/** What a lesson came to, for its learner: to be read on a phone, and to be printed. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import type { Exercise, LessonOpened } from "../api/types";
import { cameTo } from "../shell/cameTo";
import { Panel } from "../shell/Panel";
import { useDates } from "../shell/useDates";
import { ink } from "../theme";
import { t } from "../words";
import { stateOf, whenAndWhere } from "./toldOf";

export const Summary = ({ lesson }: { lesson: LessonOpened }) => {
  const dates = useDates();
  const planned = new Set(lesson.exercises.map(({ what }) => what));
  const besides = lesson.driven.filter(({ exercise }) => exercise === null);
  const others = lesson.recap.filter(({ what }) => !planned.has(what));
  return (
    <Box sx={{ maxWidth: 720, mx: "auto", display: "grid", gap: 1.5, pb: 2, fontSize: 16 }}>
      <Box component="header">
        <Typography variant="h1">{t("lesson.of", { name: lesson.learner })}</Typography>
        <Box>{whenAndWhere(lesson, dates)}</Box>
        <Box sx={{ fontWeight: 700 }}>{stateOf(lesson, dates)}</Box>
      </Box>
      <Told label={t("lesson.learnt")}>{lesson.learnt}</Told>
      <Told label={t("lesson.comes next")}>{lesson.comes_next}</Told>
      <Told label={t("desk.lesson notes")}>{lesson.notes}</Told>
      {lesson.exercises.map((exercise, i) => (
        <Done
          // biome-ignore lint/suspicious/noArrayIndexKey: the same may be planned twice
          key={`${i} ${exercise.what}`}
          exercise={exercise}
          recap={lesson.recap.filter(({ what }) => what === exercise.what)}
          driven={lesson.driven.filter((one) => one.exercise === i)}
        />
      ))}
      {besides.length + others.length > 0 && (
        <Panel label={t("lesson.besides")}>
          <Rows
            rows={besides.map((one) => [`${dates.hour(one.started)} · ${one.method}`, cameTo(one)])}
          />
          <Rows rows={others.map(({ step, recalled }) => [step, t(`lesson.${recalled}`)])} />
        </Panel>
      )}
      <Box sx={{ fontSize: 14, color: ink.soft }}>{t("cues.cautions")}</Box>
      <Box sx={{ "@media print": { display: "none" } }}>
        <SummaryFile lesson={lesson} />
      </Box>
    </Box>
  );
};

interface DoneProps {
  exercise: Exercise;
  recap: LessonOpened["recap"];
  driven: LessonOpened["driven"];
}

const Done = ({ exercise, recap, driven }: DoneProps) => {
  const dates = useDates();
  return (
    <Panel
      label={exercise.what}
      beside={<Box sx={{ color: ink.soft }}>{t("desk.minutes", { count: exercise.minutes })}</Box>}
    >
      {exercise.made_of && (
        <Box sx={{ color: ink.soft }}>
          {exercise.made_of.vehicle} · {exercise.made_of.ground}
        </Box>
      )}
      {exercise.attempts > 0 && <p>{t("lesson.figures", { ...exercise })}</p>}
      <Rows rows={driven.map((one) => [dates.hour(one.started), cameTo(one)])} />
      <Rows rows={recap.map(({ step, recalled }) => [step, t(`lesson.${recalled}`)])} />
    </Panel>
  );
};

const Rows = ({ rows }: { rows: [string, string][] }) => (
  <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
    {rows.map(([left, right], i) => (
      <Box
        component="li"
        // biome-ignore lint/suspicious/noArrayIndexKey: two lines may say the same
        key={i}
        sx={{
          display: "flex",
          justifyContent: "space-between",
          gap: 2,
          py: 0.5,
          borderTop: `1px solid ${ink.line}`,
        }}
      >
        <span>{left}</span>
        <Box component="strong" sx={{ textAlign: "right" }}>
          {right}
        </Box>
      </Box>
    ))}
  </Box>
);

const Told = ({ label, children }: { label: string; children: ReactNode }) =>
  children ? (
    <Panel label={label}>
      <Box sx={{ whiteSpace: "pre-wrap" }}>{children}</Box>
    </Panel>
  ) : null;

export const SummaryFile = ({ lesson }: { lesson: LessonOpened }) => (
  <Button href={`/api/lessons/${lesson.id}/summary`} target="_blank" rel="noopener">
    {t("lesson.summary to print")}
  </Button>
);
