/** The calls in order, each with what tells it and the looks that belong before it. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Paper from "@mui/material/Paper";
import { memo, type ReactNode } from "react";
import type { MethodBody, Plan, Sights } from "../../api/types";
import { CallDisc, FirstStop, LastStop } from "../../drawing/marks";
import { ink } from "../../theme";
import { t } from "../../words";
import { Breaks, Disc, HeldAlong, Looks, seenAt, Told, Wheel } from "./told";
import { isUnseen } from "./Unseen";

interface Props {
  plan: Plan;
  method: MethodBody;
  active: number;
  onCall: (number: number) => void;
  /** What is seen at every stop; nothing while it is worked out. */
  sights: Sights | undefined;
  /** Whether the near mirror is turned down for the manoeuvre. */
}

export const CallList = memo(({ plan, method, active, onCall, sights }: Props) => (
  <Paper
    component="ol"
    aria-label={t("cues.calls")}
    sx={{ m: 0, p: 0, listStyle: "none", flexShrink: 0 }}
  >
    <Item active={active === 0} onChoose={() => onCall(0)} mark={<FirstStop />}>
      <Told title={t("cues.first stop")} where={plan.begins.text}>
        <Seen said={seenAt(sights, 0)} />
        <Box sx={{ fontWeight: 700, fontSize: 15, lineHeight: 1.25, mt: 0.75 }}>
          {method.steps[0]?.say}
        </Box>
        <Wheel plan={plan} step={0} />
        <Looks plan={plan} step={0} />
        {active === 0 && <HeldAlong sights={sights} step={0} />}
      </Told>
    </Item>
    {plan.calls.map((call) => (
      <Item
        key={call.number}
        active={active === call.number}
        onChoose={() => onCall(call.number)}
        mark={
          <CallDisc
            x={0}
            y={0}
            label={String(call.number)}
            stop={call.number === plan.calls.length}
          />
        }
      >
        <Told title={method.steps[call.leg]?.say ?? ""} where={call.said.text}>
          <Wheel plan={plan} step={call.leg} />
          {active === call.number && <Seen said={call.seen.text} />}
          {isUnseen(call) && <Box sx={{ fontSize: 13 }}>{call.instead.text}</Box>}
          <Looks plan={plan} step={call.leg} />
          {active === call.number && <HeldAlong sights={sights} step={call.leg} />}
          {active === call.number && <Breaks call={call} />}
        </Told>
      </Item>
    ))}
    <Item
      active={active > plan.calls.length}
      onChoose={() => onCall(plan.calls.length + 1)}
      mark={<LastStop />}
    >
      <Told title={t("cues.last stop")} where={plan.ends.text}>
        <Seen said={seenAt(sights, plan.calls.length + 1)} />
        <Looks plan={plan} step={plan.calls.length + 1} />
      </Told>
    </Item>
  </Paper>
));

const Seen = ({ said }: { said: string | undefined }) =>
  said ? <Box sx={{ fontSize: 13 }}>{said}</Box> : null;

interface ItemProps {
  active: boolean;
  onChoose: () => void;
  mark: ReactNode;
  children: ReactNode;
}

const Item = ({ active, onChoose, mark, children }: ItemProps) => (
  <Box component="li" sx={{ "& + &": { borderTop: `1px solid ${ink.line}` } }}>
    <ButtonBase
      aria-current={active ? "step" : undefined}
      onClick={onChoose}
      sx={{
        display: "flex",
        alignItems: "flex-start",
        gap: 1.25,
        p: 1.25,
        width: "100%",
        minHeight: 44,
        textAlign: "left",
        background: active ? "#F3EDDC" : "none",
      }}
    >
      <Disc>{mark}</Disc>
      {children}
    </ButtonBase>
  </Box>
);
