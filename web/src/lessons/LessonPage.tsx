/** A lesson: what is planned, what was driven, and what it came to. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link, useLocation } from "react-router";
import { inTheWay } from "../api/client";
import type { LessonOpened } from "../api/types";
import { Failure, Nothing, Waiting } from "../shell/states";
import { useDocket, useMay } from "../shell/useDocket";
import { usePrinting } from "../shell/usePrinting";
import { t } from "../words";
import { DrivenIn } from "./DrivenIn";
import { Ending } from "./Ending";
import { Head } from "./Head";
import { Plan } from "./Plan";
import { StartNow } from "./StartNow";
import { Summary } from "./Summary";
import { useLesson, useWhich } from "./useLesson";

const LessonPage = () => {
  const { id, today, error } = useWhich();
  const teaches = useMay().teach;
  const { learner } = useDocket();
  const { search } = useLocation();
  const lesson = useLesson(id ?? null);
  const failed = error ?? inTheWay(lesson);
  if (failed) return <Failure error={failed} retry={() => void lesson.refetch()} />;
  if (id === undefined || (id !== null && !lesson.data)) return <Waiting />;
  return (
    <Box sx={{ display: "grid", gap: 1.5, justifyItems: "stretch" }}>
      {teaches && !lesson.data && <Typography variant="h1">{t("shell.lesson")}</Typography>}
      {teaches && !today && <StartNow />}
      {lesson.data ? (
        <Opened key={lesson.data.id} lesson={lesson.data} />
      ) : (
        !teaches && (
          <Nothing title={t("lesson.none yet")}>
            {t("lesson.none of", { name: learner.name })}
          </Nothing>
        )
      )}
      <Box sx={foot}>
        <Button component={Link} to={{ pathname: "/history", search }}>
          {t("lesson.all that was driven", { name: learner.name })}
        </Button>
        <Button component={Link} to={{ pathname: "/mock-tests", search }}>
          {t("mock.tests of", { name: learner.name })}
        </Button>
      </Box>
    </Box>
  );
};

const foot = { justifySelf: "center", "@media print": { display: "none" } } as const;

const Opened = ({ lesson }: { lesson: LessonOpened }) => {
  const teaches = useMay().teach;
  const printing = usePrinting();
  if (!teaches || printing) return <Summary lesson={lesson} />;
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Head lesson={lesson} />
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          alignItems: "start",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 1fr) minmax(0, 1fr)" },
        }}
      >
        <Box sx={{ display: "grid", gap: 1.5 }}>
          <Plan lesson={lesson} />
          <DrivenIn lesson={lesson} />
        </Box>
        <Ending lesson={lesson} />
      </Box>
    </Box>
  );
};

export default LessonPage;
