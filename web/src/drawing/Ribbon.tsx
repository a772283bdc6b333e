/** The manoeuvre over the way rolled: calls with their windows, hands, eyes. */

import Box from "@mui/material/Box";
import { type KeyboardEvent, memo, type PointerEvent, useMemo } from "react";
import type { Metres, Plan } from "../api/types";
import { length, ruler, short, shortUnit } from "../shell/units";
import { useUnits } from "../shell/useDocket";
import { ink } from "../theme";
import { decimal, t } from "../words";
import { handsY, LANES } from "./lanes";
import { CallDisc, FirstStop, LastStop } from "./marks";
import { RibbonLooks } from "./RibbonLooks";
import { type Scrub, useScrubbed } from "./scrub";
import { useSize } from "./useSize";

// A call that may move freely was tried this far each way, m; the core's figure.
const SEARCHED = 1;
const LEFT = 92;
const RIGHT = 30;
const CROWDED = 100;
// A window's figures stand this far beside its disc, px, where they cannot meet a neighbour's.
const BESIDE = 12;
/** How many small steps a page key goes. */
const FAR = 10;
export const RIBBON_HEIGHT = 182;

interface Props {
  plan: Plan;
  lockTurns: number;
  toward: 1 | -1;
  scrub: Scrub;
  active: number;
  onCall: (number: number) => void;
}

export const Ribbon = memo(({ plan, lockTurns, toward, scrub, active, onCall }: Props) => {
  const s = useScrubbed(scrub);
  const [ref, { width }] = useSize();
  const units = useUnits();
  const along = ruler(units);
  const total = plan.path.at(-1)?.s_m ?? 1;
  const x = placedOn(total, width);
  const point = (event: PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (event.clientX - box.left - LEFT) / Math.max(width - LEFT - RIGHT, 1);
    scrub.set(Math.min(Math.max(share, 0), 1) * total);
  };
  const key = (event: KeyboardEvent) => {
    const here = s ?? 0;
    const to = {
      ArrowLeft: here - along.step,
      ArrowDown: here - along.step,
      ArrowRight: here + along.step,
      ArrowUp: here + along.step,
      PageDown: here - FAR * along.step,
      PageUp: here + FAR * along.step,
      Home: 0,
      End: total,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    scrub.set(Math.min(Math.max(to, 0), total));
  };
  return (
    <Box
      ref={ref}
      role="slider"
      tabIndex={0}
      aria-label={along.name === "feet" ? t("drawing.feet rolled") : t("drawing.metres rolled")}
      aria-valuemin={0}
      aria-valuemax={Number((total / along.metres).toFixed(2))}
      aria-valuenow={Number(((s ?? 0) / along.metres).toFixed(2))}
      aria-valuetext={t("drawing.rolled of", {
        rolled: length(s ?? 0, units),
        total: length(total, units),
      })}
      onPointerMove={point}
      onPointerDown={point}
      onPointerLeave={(e) => e.pointerType === "mouse" && scrub.set(null)}
      onKeyDown={key}
      sx={{
        // What is drawn is as wide as the box, and never the box as wide as what is drawn.
        position: "relative",
        height: RIBBON_HEIGHT,
        touchAction: "pan-y",
        cursor: "ew-resize",
      }}
    >
      {width > 0 && (
        <svg
          width={width}
          height={RIBBON_HEIGHT}
          style={{ display: "block", position: "absolute" }}
          aria-hidden="true"
        >
          <Standing
            width={width}
            plan={plan}
            lockTurns={lockTurns}
            toward={toward}
            active={active}
            onCall={onCall}
          />
          {s !== null && (
            <path
              d={`M${x(s)} 8V${LANES.axis - 8}`}
              stroke={ink.coral}
              strokeWidth={2}
              data-testid="scrub"
            />
          )}
        </svg>
      )}
    </Box>
  );
});

const placedOn = (total: Metres, width: number) => (m: Metres) =>
  LEFT + (m / total) * Math.max(width - LEFT - RIGHT, 1);

type StandingProps = Pick<Props, "plan" | "lockTurns" | "toward" | "active" | "onCall"> & {
  width: number;
};

/** Everything but the place that is followed. */
const Standing = memo(({ width, plan, lockTurns, toward, active, onCall }: StandingProps) => {
  const units = useUnits();
  const total = plan.path.at(-1)?.s_m ?? 1;
  const x = placedOn(total, width);
  return (
    <>
      <Lanes width={width} lockTurns={lockTurns} unit={shortUnit(units)} />
      <Axis total={total} along={ruler(units)} x={x} />
      <Hands plan={plan} lockTurns={lockTurns} toward={toward} x={x} />
      <FirstStop x={x(0)} y={handsY(plan.path[0]?.turns ?? 0, lockTurns, toward)} />
      <LastStop x={x(total)} y={handsY(plan.path.at(-1)?.turns ?? 0, lockTurns, toward)} />
      <Windows plan={plan} x={x} active={active} onCall={onCall} />
      <RibbonLooks looks={plan.looks} x={x} y={LANES.eyes} end={width - 8} />
    </>
  );
});

const Lanes = ({ width, lockTurns, unit }: { width: number; lockTurns: number; unit: string }) => (
  <g fontSize={12} fill={ink.ink}>
    <text x={10} y={LANES.call + 4} fontWeight={700}>
      {t("drawing.calls", { unit })}
    </text>
    <text x={10} y={LANES.middle + 4} fontWeight={700}>
      {t("drawing.hands")}
    </text>
    <text x={10} y={LANES.eyes + 4} fontWeight={700}>
      {t("drawing.eyes")}
    </text>
    <g fontSize={11} fill={ink.soft} textAnchor="end">
      <text x={LEFT - 6} y={LANES.top + 4}>
        {t("drawing.toward", { turns: decimal(lockTurns) })}
      </text>
      <text x={LEFT - 6} y={LANES.bottom + 4}>
        {t("drawing.away", { turns: decimal(lockTurns) })}
      </text>
    </g>
    <path d={`M${LEFT} ${LANES.middle}H${width - RIGHT}`} stroke={ink.line} />
  </g>
);

interface AxisProps {
  total: Metres;
  along: ReturnType<typeof ruler>;
  x: (m: Metres) => number;
}

const Axis = ({ total, along: { unit, metres, every }, x }: AxisProps) => (
  <g fontSize={11} fill={ink.soft} textAnchor="middle">
    {Array.from({ length: Math.floor(total / metres / every) + 1 }, (_, i) => i * every).map(
      (mark) => (
        <text key={mark} x={x(mark * metres)} y={LANES.axis + 8}>
          {mark}
        </text>
      ),
    )}
    <text x={LEFT - 6} y={LANES.axis + 8} textAnchor="end">
      {t("drawing.rolled", { unit })}
    </text>
  </g>
);

const Hands = ({
  plan,
  lockTurns,
  toward,
  x,
}: Pick<Props, "plan" | "lockTurns" | "toward"> & { x: (m: Metres) => number }) => {
  const line = useMemo(
    () =>
      plan.path
        .map((p, i) => {
          const y = handsY(p.turns, lockTurns, toward);
          return `${i ? "L" : "M"}${x(p.s_m).toFixed(1)} ${y.toFixed(1)}`;
        })
        .join(""),
    [plan, lockTurns, toward, x],
  );
  return <path d={line} fill="none" stroke={ink.ink} strokeWidth={2.5} strokeLinejoin="round" />;
};

const Windows = ({
  plan,
  x,
  active,
  onCall,
}: Pick<Props, "plan" | "active" | "onCall"> & { x: (m: Metres) => number }) => {
  const units = useUnits();
  const end = plan.path.at(-1)?.s_m ?? 0;
  return (
    <g>
      {plan.calls.map((call) => {
        const from = Math.max(call.s_m - (call.early_m ?? SEARCHED), 0);
        const to = Math.min(call.s_m + (call.late_m ?? SEARCHED), end);
        const last = call.number === plan.calls.length;
        // Two calls close together leave no room between them, and the list has both figures;
        // what cannot be driven has no windows.
        const crowded = (other: number) => {
          if (!plan.feasible) return true;
          const beside = plan.calls[call.number - 1 + other];
          return beside !== undefined && Math.abs(x(beside.s_m) - x(call.s_m)) < CROWDED;
        };
        return (
          <g key={call.number} data-window={call.number}>
            <rect
              x={x(from)}
              y={10}
              width={Math.max(x(to) - x(from), 1)}
              height={LANES.bottom - 6}
              fill={ink.marigold}
              opacity={0.28}
            />
            <path d={`M${x(call.s_m)} 10V${LANES.eyes + 8}`} stroke={ink.teal} strokeWidth={2} />
            {call.told_s_m !== call.s_m && (
              <path
                d={`M${x(call.told_s_m)} 10V${LANES.bottom}`}
                stroke={ink.coral}
                strokeWidth={2}
                strokeDasharray="4 3"
              />
            )}
            {!crowded(-1) && (
              <Edge x={x(call.s_m) - BESIDE} value={call.early_m} side="early" units={units} />
            )}
            {!crowded(+1) && (
              <Edge x={x(call.s_m) + BESIDE} value={call.late_m} side="late" units={units} />
            )}
            {/* The ribbon as a whole is the keyboard's slider; a disc is a shortcut for the hand. */}
            <g onPointerDown={() => onCall(call.number)} style={{ cursor: "pointer" }}>
              <CallDisc
                x={x(call.s_m)}
                y={LANES.call}
                label={String(call.number)}
                stop={last}
                active={active === call.number}
              />
            </g>
          </g>
        );
      })}
    </g>
  );
};

const Edge = ({
  x,
  value,
  side,
  units,
}: {
  x: number;
  value: Metres | null;
  side: "early" | "late";
  units: "metric" | "imperial";
}) => {
  const early = side === "early";
  const colour = early ? ink.ochre : ink.plum;
  const text = value === null ? t("drawing.free") : short(value, units);
  return (
    <g transform={`translate(${x + (early ? -3 : 3)} ${LANES.call})`} fill={colour}>
      <path d={early ? "M-1 -5 -9 0l8 5Z" : "M1 -5 9 0l-8 5Z"} />
      <text
        x={early ? -12 : 12}
        y={4}
        fontSize={12}
        fontWeight={700}
        textAnchor={early ? "end" : "start"}
        stroke={ink.sheet}
        strokeWidth={3}
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  );
};
