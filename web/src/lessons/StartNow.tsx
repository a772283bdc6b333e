/** Nobody booked a lesson for today: one begins now, with what is on the docket. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { useNoting } from "../device/useUnsent";
import { Panel } from "../shell/Panel";
import { useDocket } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { aboutLesson } from "./begunHere";
import { onTheDocket } from "./planned";

const MINUTES = 60;

export const StartNow = () => {
  const docket = useDocket();
  const noting = useNoting();
  const start = useMutation({
    mutationFn: () => {
      const now = new Date().toISOString();
      return noting({
        what: "lesson begun",
        of: `${docket.learner.name} · ${docket.method.name}`,
        about: aboutLesson({ id: 0, starts: now }),
        method: "post",
        path: "/api/lessons",
        params: {},
        body: {
          learner: docket.learner.id,
          starts: now,
          begun: now,
          minutes: MINUTES,
          about: docket.method.name,
          place: "",
          notes: "",
          plan: [{ ...onTheDocket(docket), minutes: MINUTES }],
        },
      });
    },
  });
  const { learner, method, ground } = docket;
  return (
    <Panel
      label={t("lesson.none today", { name: learner.name })}
      beside={
        <Button variant="contained" loading={start.isPending} onClick={() => start.mutate()}>
          {t("lesson.start now")}
        </Button>
      }
    >
      <Box sx={{ color: ink.soft }}>
        {t("lesson.start on the spot", { method: method.name, ground: ground.name })}
      </Box>
      {start.error && <Alert severity="error">{start.error.message}</Alert>}
    </Panel>
  );
};
