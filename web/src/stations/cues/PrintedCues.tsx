/** The cue sheet on paper: A4 or Letter, every call with what is seen at it, what it was computed
 *  from, when, and the caution. There only while something is printed. */

import Box from "@mui/material/Box";
import GlobalStyles from "@mui/material/GlobalStyles";
import Portal from "@mui/material/Portal";
import type { ReactNode } from "react";
import type { Call, Docket, MethodBody, Plan, Sights } from "../../api/types";
import { CallDisc, FirstStop, LastStop } from "../../drawing/marks";
import { SightPicture } from "../../drawing/SightPicture";
import { useDates } from "../../shell/useDates";
import { usePrinting } from "../../shell/usePrinting";
import { ink } from "../../theme";
import { t } from "../../words";
import { PlanSlab } from "./PlanSlab";
import { RestsOn } from "./RestsOn";
import {
  Breaks,
  Disc,
  HeldAlong,
  Looks,
  Moved,
  pictureLabel,
  restsOn,
  seenAt,
  spotAt,
  Told,
  type ToldProps,
  useAssumed,
  useSharp,
  Wheel,
} from "./told";

// The narrower of both papers within its margins, px of 1/96 inch.
const WIDTH = 690;
const SHEET = "printed-cues";
const PICTURE = 216;

interface Props {
  docket: Docket;
  plan: Plan;
  method: MethodBody;
  /** What stands in the way where it cannot be driven; else empty. */
  trouble: string;
  /** What is seen at every stop; nothing while it is worked out. */
  sights: Sights | undefined;
  /** The method is being changed: no revision says what was printed. */
  unsaved: boolean;
}

export const PrintedCues = (props: Props) => {
  return usePrinting() ? (
    <Portal>
      <GlobalStyles
        styles={{
          "@media print": { "#root": { display: "none" } },
          // Laid out before there is paper, where nobody sees it.
          "@media screen": { [`#${SHEET}`]: { position: "absolute", left: -2 * WIDTH } },
          "@page": { margin: "12mm", size: "portrait" },
        }}
      />
      <Paper {...props} />
    </Portal>
  ) : null;
};

const Paper = ({ docket, plan, method, trouble, sights, unsaved }: Props) => (
  <Box
    sx={{ width: WIDTH, mx: "auto", fontSize: 13, lineHeight: 1.35, color: ink.ink }}
    data-printed="cues"
  >
    <Head docket={docket} method={method} unsaved={unsaved} />
    <RestsOn docket={docket} plan={plan} />
    {trouble && <Box sx={{ fontWeight: 700, mb: 1 }}>{trouble}</Box>}
    <Box sx={{ height: 270, printColorAdjust: "exact" }}>
      <PlanSlab plan={plan} vehicle={docket.vehicle.body} ground={docket.ground.body} />
    </Box>
    <Box component="ol" aria-label={t("cues.calls")} sx={{ m: 0, p: 0, listStyle: "none" }}>
      <Stop
        mark={<FirstStop />}
        title={t("cues.first stop")}
        where={plan.begins.text}
        plan={plan}
        sights={sights}
        number={0}
      >
        <Box sx={{ mt: 0.5 }}>{seenAt(sights, 0)}</Box>
        <Box sx={{ fontWeight: 700, fontSize: 15, mt: 0.5 }}>{method.steps[0]?.say}</Box>
        <Wheel plan={plan} step={0} />
        <Looks plan={plan} step={0} />
        <HeldAlong sights={sights} step={0} />
      </Stop>
      {plan.calls.map((call) => (
        <PrintedCall key={call.number} call={call} sights={sights} plan={plan} method={method} />
      ))}
      <Stop
        mark={<LastStop />}
        title={t("cues.last stop")}
        where={plan.ends.text}
        plan={plan}
        sights={sights}
        number={plan.calls.length + 1}
      >
        <Box sx={{ mt: 0.5 }}>{seenAt(sights, plan.calls.length + 1)}</Box>
        <Looks plan={plan} step={plan.calls.length + 1} />
      </Stop>
    </Box>
    <Box sx={{ fontWeight: 700, mt: 1.5 }}>{t("cues.computed from what was measured")}</Box>
    <Box sx={{ mt: 0.5 }}>
      <Assumed plan={plan} />
    </Box>
    <Box sx={{ mt: 0.5 }}>{t("cues.cautions")}</Box>
  </Box>
);

const Assumed = ({ plan }: { plan: Plan }) => <>{useAssumed(plan)}</>;

/** Whose sheet it is, of which revisions, and when it was printed. */
const Head = ({ docket, method, unsaved }: Pick<Props, "docket" | "method" | "unsaved">) => {
  const dates = useDates();
  const { vehicle, seat, ground, standard } = docket;
  const from: { name: string; number: number }[] = [vehicle, seat, ground, standard];
  if (!unsaved) from.push(docket.method);
  const told = from.map(({ name, number }) => t("cues.of revision", { name, number }));
  if (unsaved) told.push(t("cues.changed not saved", { name: method.name }));
  return (
    <Box component="header" sx={{ mb: 1.5 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2 }}>
        <Box component="h1" sx={{ fontSize: 22, m: 0 }}>
          {method.name}
        </Box>
        <Box sx={{ fontSize: 18, fontWeight: 700 }}>{docket.learner.name}</Box>
      </Box>
      <Box>{told.join(" · ")}</Box>
      <Box>{t("cues.printed", { when: dates.stamp(new Date().toISOString()) })}</Box>
    </Box>
  );
};

const ROW = {
  display: "flex",
  alignItems: "flex-start",
  gap: 1.25,
  py: 1,
  borderTop: `1px solid ${ink.line}`,
  breakInside: "avoid",
} as const;

type StopProps = ToldProps & Pick<Props, "plan" | "sights"> & { mark: ReactNode; number: number };

const Stop = ({ mark, plan, sights, number, ...told }: StopProps) => (
  <Box component="li" sx={ROW}>
    <Disc>{mark}</Disc>
    <Told {...told} />
    <Pictures plan={plan} sights={sights} number={number} step={number} />
  </Box>
);

type CallProps = Pick<Props, "plan" | "method" | "sights"> & { call: Call };

const PrintedCall = ({ call, plan, method, sights }: CallProps) => (
  <Box component="li" sx={ROW}>
    <Disc>
      <CallDisc x={0} y={0} label={String(call.number)} stop={call.number === plan.calls.length} />
    </Disc>
    <Told title={method.steps[call.leg]?.say ?? ""} where={call.said.text}>
      <Wheel plan={plan} step={call.leg} />
      <Box sx={{ mt: 0.5 }}>{call.seen.text}</Box>
      {call.instead.text && <Box sx={{ fontWeight: 700 }}>{call.instead.text}</Box>}
      <Moved call={call} />
      <Sharp call={call} />
      {restsOn(spotAt(sights, call.number)).map((said) => (
        <Box key={said}>{said}</Box>
      ))}
      <Looks plan={plan} step={call.leg} />
      <HeldAlong sights={sights} step={call.leg} />
      {plan.feasible && <Breaks call={call} />}
    </Told>
    <Pictures plan={plan} sights={sights} number={call.number} step={call.leg} />
  </Box>
);

type PicturesProps = Pick<Props, "plan" | "sights"> & { number: number; step: number };

/** What is seen at a stop, and how what is then held looks in the middle of the way. */
const Pictures = ({ plan, sights, number, step }: PicturesProps) => {
  const here = spotAt(sights, number)?.picture;
  const held = sights?.held.filter((one) => one.step === step) ?? [];
  return (
    <Box
      sx={{
        width: PICTURE,
        flexShrink: 0,
        display: "grid",
        gap: 1,
        printColorAdjust: "exact",
      }}
    >
      {here && <SightPicture picture={here} label={pictureLabel(plan, number)} />}
      {held.map(({ picture, begin_m }) => (
        <SightPicture key={begin_m} picture={picture} label={t("cues.held meanwhile")} />
      ))}
    </Box>
  );
};

const Sharp = ({ call }: { call: Call }) => {
  const leant = call.cues[0]?.leant.text;
  return <Box sx={{ color: ink.soft }}>{[useSharp(call), leant].filter(Boolean).join(" · ")}</Box>;
};
