/** A learner's own card, read on a phone: one stop under the other, its picture as wide as there is. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import type { ReactNode } from "react";
import { Link, useLocation } from "react-router";
import { inTheWay } from "../../api/client";
import type { Call, Docket, Picture, Plan, Sights } from "../../api/types";
import { CallDisc, FirstStop, LastStop } from "../../drawing/marks";
import { SightPicture } from "../../drawing/SightPicture";
import { Failure, Waiting } from "../../shell/states";
import { useDocket } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";
import { CardMenu } from "../cues/CardMenu";
import { PlanSlab } from "../cues/PlanSlab";
import { RestsOn } from "../cues/RestsOn";
import {
  Breaks,
  Disc,
  HeldAlong,
  Looks,
  Moved,
  pictureLabel,
  seenAt,
  spotAt,
  Wheel,
} from "../cues/told";
import { useCueOptions } from "../cues/useCueOptions";
import { usePlan } from "../cues/usePlan";
import { useSights } from "../cues/useSights";
import { WhoseSeat } from "../cues/WhoseSeat";

const CardPage = () => {
  const docket = useDocket();
  return <Card key={docket.method.document_id} docket={docket} />;
};

const Card = ({ docket }: { docket: Docket }) => {
  const { options } = useCueOptions(docket);
  const { plan, settled } = usePlan(docket, options);
  const sights = useSights(docket, options, undefined, settled);
  const { search } = useLocation();
  const failed = inTheWay(plan);
  if (failed) return <Failure error={failed} retry={() => void plan.refetch()} />;
  if (!plan.data) return <Waiting what={t("cues.working out the cues")} />;
  const shown = plan.data;
  const { vehicle, seat, ground, method, learner } = docket;
  return (
    <Box sx={{ maxWidth: 720, mx: "auto", display: "grid", gap: 1.5, pb: 2 }}>
      <Box component="header">
        <Box component="h1" sx={{ fontSize: 24, lineHeight: 1.15, m: 0 }}>
          {method.name}
        </Box>
        <Box sx={{ fontSize: 16, mt: 0.5 }}>
          {[learner.name, vehicle.name, seat.name, ground.name].join(" · ")}
        </Box>
        {docket.sheet_id === null && (
          <Box sx={{ fontSize: 14, color: ink.soft }}>
            {t("cues.no sheet kept", { name: learner.name })}
          </Box>
        )}
      </Box>
      <WhoseSeat docket={docket} />
      <RestsOn docket={docket} plan={shown} />
      {!shown.feasible && (
        <Alert severity="warning">
          {t("cues.this cannot be driven")} {shown.reason.said.text}.
        </Alert>
      )}
      <Box sx={{ height: { xs: 230, sm: 300 } }}>
        <PlanSlab plan={shown} vehicle={vehicle.body} ground={ground.body} />
      </Box>
      <Box
        component="ol"
        aria-label={t("cues.calls")}
        sx={{ m: 0, p: 0, listStyle: "none", display: "grid", gap: 1.5 }}
      >
        <Stops plan={shown} docket={docket} sights={sights} />
      </Box>
      <Box sx={{ fontSize: 14 }}>
        <p>{t("cues.computed from what was measured")}</p>
        <p>{t("cues.cautions")}</p>
      </Box>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <CardMenu docket={docket} options={options} />
        <Button component={Link} to={{ pathname: "/cues", search }} size="small">
          {t("cues.all of the sheet")}
        </Button>
      </Box>
    </Box>
  );
};

interface Props {
  plan: Plan;
  docket: Docket;
  sights: Sights | undefined;
}

const Stops = ({ plan, docket, sights }: Props) => {
  const { steps } = docket.method.body;
  const last = plan.calls.length + 1;
  const picture = (number: number) => ({
    picture: spotAt(sights, number)?.picture ?? null,
    label: pictureLabel(plan, number),
  });
  return (
    <>
      <Stop mark={<FirstStop />} say={t("cues.first stop")} {...picture(0)}>
        <Line>{plan.begins.text}</Line>
        <Line>{seenAt(sights, 0)}</Line>
        <Box sx={{ fontWeight: 700, fontSize: 18, mt: 0.75 }}>{steps[0]?.say}</Box>
        <Wheel plan={plan} step={0} />
        <Looks plan={plan} step={0} />
        <HeldAlong sights={sights} step={0} />
      </Stop>
      {plan.calls.map((call) => (
        <Stop
          key={call.number}
          mark={<Numbered call={call} plan={plan} />}
          say={steps[call.leg]?.say ?? ""}
          {...picture(call.number)}
        >
          <Wheel plan={plan} step={call.leg} />
          <Line>{call.said.text}</Line>
          <Line>{call.seen.text}</Line>
          <Moved call={call} />
          <Looks plan={plan} step={call.leg} />
          <HeldAlong sights={sights} step={call.leg} />
          {plan.feasible && <Breaks call={call} />}
        </Stop>
      ))}
      <Stop mark={<LastStop />} say={t("cues.last stop")} {...picture(last)}>
        <Line>{plan.ends.text}</Line>
        <Line>{seenAt(sights, last)}</Line>
        <Looks plan={plan} step={last} />
      </Stop>
    </>
  );
};

const Numbered = ({ call, plan }: { call: Call; plan: Plan }) => (
  <CallDisc x={0} y={0} label={String(call.number)} stop={call.number === plan.calls.length} />
);

const Line = ({ children }: { children: string | undefined }) =>
  children ? <Box sx={{ fontSize: 16, lineHeight: 1.3, mt: 0.5 }}>{children}</Box> : null;

interface StopProps {
  mark: ReactNode;
  say: string;
  picture: Picture | null;
  label: string;
  children: ReactNode;
}

const Stop = ({ mark, say, picture, label, children }: StopProps) => (
  <Paper component="li" sx={{ overflow: "hidden" }}>
    {picture && <SightPicture picture={picture} label={label} />}
    <Box sx={{ p: 1.5 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        <Disc>{mark}</Disc>
        <Box component="h2" sx={{ m: 0, fontSize: 20, lineHeight: 1.2 }}>
          {say}
        </Box>
      </Box>
      {children}
    </Box>
  </Paper>
);

export default CardPage;
