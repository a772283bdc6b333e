/** The calls in order, each with what tells it and the looks that belong before it. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Paper from "@mui/material/Paper";
import type { ReactNode } from "react";
import type { Call, MethodBody, Plan } from "../../api/types";
import { CallDisc, EarlyWedge, EyeMark, FirstStop, LastStop, LateWedge } from "../../drawing/marks";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { named, t } from "../../words";
import { isUnseen } from "./Unseen";

interface Props {
  plan: Plan;
  method: MethodBody;
  active: number;
  onCall: (number: number) => void;
}

export const CallList = ({ plan, method, active, onCall }: Props) => (
  <Paper
    component="ol"
    aria-label={t("cues.calls")}
    sx={{ m: 0, p: 0, listStyle: "none", flexShrink: 0 }}
  >
    <Item mark={<FirstStop />} title={t("cues.first stop")} where={plan.begins.text}>
      <Box sx={{ fontWeight: 700, fontSize: 15, lineHeight: 1.25, mt: 0.75 }}>
        {method.steps[0]?.say}
      </Box>
      <Looks plan={plan} step={0} />
    </Item>
    {plan.calls.map((call) => (
      <Box component="li" key={call.number} sx={{ borderTop: `1px solid ${ink.line}` }}>
        <ButtonBase
          aria-current={active === call.number ? "step" : undefined}
          onClick={() => onCall(call.number)}
          sx={{
            ...ROW,
            width: "100%",
            minHeight: 44,
            textAlign: "left",
            background: active === call.number ? "#F3EDDC" : "none",
          }}
        >
          <Disc>
            <CallDisc
              x={0}
              y={0}
              label={String(call.number)}
              stop={call.number === plan.calls.length}
            />
          </Disc>
          <Told title={method.steps[call.leg]?.say ?? ""} where={call.said.text}>
            {isUnseen(call) && <Box sx={{ fontSize: 13 }}>{call.instead.text}</Box>}
            <Looks plan={plan} step={call.leg} />
            {active === call.number && <Breaks call={call} />}
          </Told>
        </ButtonBase>
      </Box>
    ))}
    <Item mark={<LastStop />} title={t("cues.last stop")} where={plan.ends.text} last />
  </Paper>
);

const ROW = { display: "flex", alignItems: "flex-start", gap: 1.25, p: 1.25 } as const;

const Disc = ({ children }: { children: ReactNode }) => (
  <svg width={26} height={26} viewBox="-13 -13 26 26" aria-hidden="true" style={{ flexShrink: 0 }}>
    {children}
  </svg>
);

interface ToldProps {
  title: string;
  where: string;
  children?: ReactNode;
}

const Told = ({ title, where, children }: ToldProps) => (
  <Box sx={{ minWidth: 0, flex: 1 }}>
    <Box sx={{ fontWeight: 700, fontSize: 15, lineHeight: 1.25 }}>{title}</Box>
    <Box sx={{ fontSize: 13, color: ink.soft }}>{where}</Box>
    {children}
  </Box>
);

/** A stop: nothing to choose, only to know. */
const Item = ({ mark, last = false, ...told }: ToldProps & { mark: ReactNode; last?: boolean }) => (
  <Box component="li" sx={{ ...ROW, ...(last && { borderTop: `1px solid ${ink.line}` }) }}>
    <Disc>{mark}</Disc>
    <Told {...told} />
  </Box>
);

/** Every look before a step, with its reason. */
const Looks = ({ plan, step }: { plan: Plan; step: number }) =>
  plan.looks
    .filter((look) => look.step === step)
    .map((look) => (
      <Box key={look.look} sx={{ fontSize: 13, display: "flex", gap: 0.75, mt: 0.25 }}>
        <Box component="span" sx={{ flexShrink: 0 }}>
          <EyeMark size={17} />
        </Box>
        <span>
          {named(look.look)}: {look.said.text}
        </span>
      </Box>
    ));

/** What goes wrong just beyond each edge of the window. */
const Breaks = ({ call }: { call: Call }) => {
  const units = useUnits();
  const edges = [
    { when: "early", mark: <EarlyWedge />, metres: call.early_m, why: call.early_breaks.text },
    { when: "late", mark: <LateWedge />, metres: call.late_m, why: call.late_breaks.text },
  ] as const;
  return (
    <Box sx={{ fontSize: 13, mt: 0.5 }}>
      {edges.map((edge) => (
        <Box key={edge.when} sx={{ display: "flex", gap: 0.75, alignItems: "baseline" }}>
          {edge.mark}
          {edge.metres === null
            ? t(`cues.may come ${edge.when}`, { by: length(1, units) })
            : t(`cues.beyond ${edge.when}`, { by: length(edge.metres, units), why: edge.why })}
        </Box>
      ))}
    </Box>
  );
};
