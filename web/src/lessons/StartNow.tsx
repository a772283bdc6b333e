/** Nobody booked a lesson for today: one begins now, with what is on the docket. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { useNoting, useUnsent } from "../device/useUnsent";
import { Panel } from "../shell/Panel";
import { useDates } from "../shell/useDates";
import { useDocket } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { onTheDocket } from "./planned";

const MINUTES = 60;

export const StartNow = () => {
  const docket = useDocket();
  const noting = useNoting();
  const dates = useDates();
  const begun = useUnsent().find(
    (one) =>
      one.what === "lesson begun" &&
      one.body.learner === docket.learner.id &&
      one.refused === null &&
      !one.left,
  );
  const start = useMutation({
    mutationFn: () => {
      const now = new Date().toISOString();
      return noting({
        what: "lesson begun",
        of: `${docket.learner.name} · ${docket.method.name}`,
        about: `lesson of ${now}`,
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
  if (begun)
    return (
      <Panel label={t("lesson.begun here", { name: learner.name, at: dates.moment(begun.at) })}>
        <Box sx={{ color: ink.soft }}>{t("lesson.begun waits")}</Box>
      </Panel>
    );
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
