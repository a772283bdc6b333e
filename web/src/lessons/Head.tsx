/** Whose lesson it is and when, and whether it has begun. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { LessonOpened } from "../api/types";
import { useDates } from "../shell/useDates";
import { ink } from "../theme";
import { t } from "../words";
import { isBegunHere } from "./begunHere";
import { Clashes } from "./Clashes";
import { ChangeLesson } from "./LessonForm";
import { SummaryFile } from "./Summary";
import { stateOf, whenAndWhere } from "./toldOf";
import { useChangeLesson } from "./useLesson";

export const Head = ({ lesson }: { lesson: LessonOpened }) => {
  const dates = useDates();
  const change = useChangeLesson(lesson);
  const [changing, setChanging] = useState(false);
  const { begun, ended, cancelled } = lesson;
  const here = isBegunHere(lesson);
  const now = () => new Date().toISOString();
  const button = (label: string, part: Parameters<typeof change.mutate>[0], main = false) => (
    <Button
      variant={main ? "contained" : "text"}
      disabled={change.isPending}
      onClick={() => change.mutate(part)}
    >
      {label}
    </Button>
  );
  return (
    <Paper sx={{ p: 1.5, display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5 }}>
        <Box sx={{ flex: 1, minWidth: { xs: "100%", md: 420 } }}>
          <Typography variant="h1">{t("lesson.of", { name: lesson.learner })}</Typography>
          <Box sx={{ color: ink.soft }}>{whenAndWhere(lesson, dates)}</Box>
          <Box sx={{ fontWeight: 700 }}>{stateOf(lesson, dates)}</Box>
        </Box>
        {!cancelled && !begun && button(t("lesson.begin"), { begun: now() }, true)}
        {begun && !ended && button(t("lesson.end"), { ended: now() }, true)}
        {ended && button(t("lesson.goes on"), { ended: null })}
        {begun && !ended && button(t("lesson.not begun"), { begun: null })}
        {!here && <SummaryFile lesson={lesson} />}
        {!here && (
          <Button aria-expanded={changing} onClick={() => setChanging(!changing)}>
            {t("desk.change")}
          </Button>
        )}
      </Box>
      {here && <Box sx={{ color: ink.soft }}>{t("lesson.begun waits")}</Box>}
      <Box sx={{ fontSize: 14, "&:empty": { display: "none" } }}>
        <Clashes of={lesson} />
      </Box>
      {change.error && <Alert severity="error">{change.error.message}</Alert>}
      {changing && <ChangeLesson lesson={lesson} close={() => setChanging(false)} />}
    </Paper>
  );
};
