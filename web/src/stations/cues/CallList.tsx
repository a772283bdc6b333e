/** The calls in order, each with what tells it and the looks that belong before it. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Paper from "@mui/material/Paper";
import { memo, type ReactNode } from "react";
import type { MethodBody, Plan } from "../../api/types";
import { CallDisc, FirstStop, LastStop } from "../../drawing/marks";
import { ink } from "../../theme";
import { t } from "../../words";
import { Breaks, Disc, Looks, Told, type ToldProps } from "./told";
import { isUnseen } from "./Unseen";

interface Props {
  plan: Plan;
  method: MethodBody;
  active: number;
  onCall: (number: number) => void;
}

export const CallList = memo(({ plan, method, active, onCall }: Props) => (
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
));

const ROW = { display: "flex", alignItems: "flex-start", gap: 1.25, p: 1.25 } as const;

/** A stop: nothing to choose, only to know. */
const Item = ({ mark, last = false, ...told }: ToldProps & { mark: ReactNode; last?: boolean }) => (
  <Box component="li" sx={{ ...ROW, ...(last && { borderTop: `1px solid ${ink.line}` }) }}>
    <Disc>{mark}</Disc>
    <Told {...told} />
  </Box>
);
