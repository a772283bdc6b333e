/** A school that cannot go round yet is led by the hand: vehicle, seat, place, learner. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { documentsQuery, peopleQuery } from "../api/queries";
import { AddPerson } from "../desk/AddPerson";
import { NewSeat } from "../desk/measuring/NewSeat";
import { NewVehicle } from "../desk/measuring/NewVehicle";
import { Mark } from "../shell/Mark";
import { SignOut } from "../shell/SignOut";
import { Failure, Waiting } from "../shell/states";
import { useMay, useSchool } from "../shell/useDocket";
import { NewPlace } from "../stations/ground/NewPlace";
import { ink } from "../theme";
import { t } from "../words";

/** A step that is still to come lies back, its words as dark as any. */
const LATER = { background: "none", border: `1px dashed ${ink.line}` } as const;

const FirstSteps = () => {
  const school = useSchool();
  const shapes = useMay().shape;
  return (
    <Box sx={{ minHeight: "100dvh", background: ink.paper }}>
      <Box
        component="header"
        sx={{
          display: "flex",
          gap: 2,
          alignItems: "center",
          px: 2,
          minHeight: 64,
          background: ink.ink,
          color: "#fff",
        }}
      >
        <Mark size={34} />
        <Box sx={{ flex: 1, fontWeight: 700 }}>{school.name}</Box>
        <SignOut />
      </Box>
      <Box component="main" sx={{ p: 2, maxWidth: 1100, mx: "auto", display: "grid", gap: 2 }}>
        <Typography variant="h1">{t("begin.the first round")}</Typography>
        {shapes ? <Steps /> : <Typography>{t("begin.your instructor first")}</Typography>}
      </Box>
    </Box>
  );
};

const FIRST = { limit: 1 } as const;

const Steps = () => {
  const client = useQueryClient();
  const vehicles = useQuery(documentsQuery("vehicle", FIRST));
  const seats = useQuery(documentsQuery("seat", FIRST));
  const grounds = useQuery(documentsQuery("ground", FIRST));
  const learners = useQuery(peopleQuery({ role: "learner", limit: 1 }));
  const asked = [vehicles, seats, grounds, learners];
  const failed = asked.find((one) => one.error)?.error;
  if (failed) return <Failure error={failed} retry={() => void client.refetchQueries()} />;
  if (asked.some((one) => !one.data)) return <Waiting />;
  const car = vehicles.data?.items[0];
  const steps: { name: string; why: string; done: string | undefined; make: ReactNode }[] = [
    {
      name: t("begin.a vehicle"),
      why: t("begin.why a vehicle"),
      done: car?.latest.name,
      make: <NewVehicle />,
    },
    {
      name: t("begin.a seat"),
      why: t("begin.why a seat"),
      done: seats.data?.items[0]?.latest.name,
      make: car && <NewSeat vehicle={{ id: car.id, body: car.latest.body }} anybody={false} />,
    },
    {
      name: t("begin.a place"),
      why: t("begin.why a place"),
      done: grounds.data?.items[0]?.latest.name,
      make: <NewPlace />,
    },
    {
      name: t("begin.a learner"),
      why: t("begin.why a learner"),
      done: learners.data?.items[0]?.name,
      make: <AddPerson learner />,
    },
  ];
  const now = steps.findIndex((step) => !step.done);
  return (
    <Box component="ol" sx={{ m: 0, p: 0, display: "grid", gap: 1.5, listStyle: "none" }}>
      {steps.map((step, i) => (
        <Paper
          key={step.name}
          component="li"
          aria-current={i === now ? "step" : undefined}
          sx={{ p: 2, display: "grid", gap: 1.5, ...(i > now && LATER) }}
        >
          <Box sx={{ display: "flex", gap: 1.5, alignItems: "baseline", flexWrap: "wrap" }}>
            <Typography variant="h2">
              {i + 1} · {step.name}
            </Typography>
            <Box sx={{ color: ink.soft }}>{step.done ?? step.why}</Box>
          </Box>
          {i === now && step.make}
        </Paper>
      ))}
      {now < 0 && (
        <Button variant="contained" href="/cues" sx={{ justifySelf: "start" }}>
          {t("begin.to the first cue sheet")}
        </Button>
      )}
    </Box>
  );
};

export default FirstSteps;
