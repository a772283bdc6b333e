/** The calls in order, each with what tells it and the looks that belong before it. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Paper from "@mui/material/Paper";
import type { Call, MethodBody, Plan } from "../../api/types";
import { CallDisc, EarlyWedge, EyeMark, LateWedge } from "../../drawing/marks";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { named, t } from "../../words";

interface Props {
  plan: Plan;
  method: MethodBody;
  active: number;
  onCall: (number: number) => void;
}

export const CallList = ({ plan, method, active, onCall }: Props) => {
  return (
    <Paper
      component="ol"
      aria-label={t("cues.calls")}
      sx={{ m: 0, p: 0, listStyle: "none", flexShrink: 0 }}
    >
      {plan.calls.map((call) => {
        const look = plan.looks.find((l) => l.step === call.leg);
        return (
          <Box
            component="li"
            key={call.number}
            sx={{ "&:not(:last-child)": { borderBottom: `1px solid ${ink.line}` } }}
          >
            <ButtonBase
              aria-current={active === call.number ? "step" : undefined}
              onClick={() => onCall(call.number)}
              sx={{
                width: "100%",
                minHeight: 44,
                display: "flex",
                alignItems: "flex-start",
                gap: 1.25,
                p: 1.25,
                textAlign: "left",
                background: active === call.number ? "#F3EDDC" : "none",
              }}
            >
              <svg width={26} height={26} viewBox="-13 -13 26 26" aria-hidden="true">
                <CallDisc
                  x={0}
                  y={0}
                  label={String(call.number)}
                  stop={call.number === plan.calls.length}
                />
              </svg>
              <Box sx={{ minWidth: 0, flex: 1 }}>
                <Box sx={{ fontWeight: 700, fontSize: 15, lineHeight: 1.25 }}>
                  {method.steps[call.leg]?.say}
                </Box>
                <Box sx={{ fontSize: 13, color: ink.soft }}>{call.said.text}</Box>
                {look && (
                  <Box sx={{ fontSize: 13, display: "flex", gap: 0.75, alignItems: "center" }}>
                    <EyeMark size={17} /> {named(look.look)}: {look.said.text}
                  </Box>
                )}
                {active === call.number && <Breaks call={call} />}
              </Box>
            </ButtonBase>
          </Box>
        );
      })}
    </Paper>
  );
};

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
