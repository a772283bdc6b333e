/** The marks that carry meaning: calls, early and late, looks. Shape first, colour second. */
import { ink } from "../theme";

interface DiscProps {
  x: number;
  y: number;
  label: string;
  stop?: boolean;
  active?: boolean;
}

/** A call's disc; the last one, which ends in the stop, is a square in a ring. */
export const CallDisc = ({ x, y, label, stop = false, active = false }: DiscProps) => (
  <g transform={`translate(${x} ${y})`}>
    <circle
      r={11}
      fill={stop ? ink.sheet : ink.teal}
      stroke={active ? ink.coral : stop ? ink.teal : "#fff"}
      strokeWidth={active ? 3 : 2}
    />
    {stop && <rect x={-8} y={-8} width={16} height={16} rx={2} fill={ink.teal} />}
    <text fill="#fff" fontSize={13} fontWeight={750} textAnchor="middle" y={4.5}>
      {label}
    </text>
  </g>
);

/** Where the vehicle stands before the first step: a ring. */
export const FirstStop = ({ x = 0, y = 0 }: { x?: number; y?: number }) => (
  <circle cx={x} cy={y} r={7} fill={ink.sheet} stroke={ink.teal} strokeWidth={3} />
);

/** And after the last one: a square. */
export const LastStop = ({ x = 0, y = 0 }: { x?: number; y?: number }) => (
  <rect
    x={x - 7}
    y={y - 7}
    width={14}
    height={14}
    rx={2}
    fill={ink.teal}
    // On the teal of a chosen step it would be lost.
    stroke={ink.sheet}
    strokeWidth={2}
  />
);

export const EarlyWedge = ({ size = 9 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 10 10" aria-hidden="true">
    <path d="M9 0 0 5l9 5Z" fill={ink.ochre} />
  </svg>
);

export const LateWedge = ({ size = 9 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 10 10" aria-hidden="true">
    <path d="m1 0 9 5-9 5Z" fill={ink.plum} />
  </svg>
);

export const OnDot = ({ size = 10 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 10 10" aria-hidden="true">
    <circle cx={5} cy={5} r={4.5} fill={ink.teal} />
  </svg>
);

export type EyeState = "due" | "open" | "done" | "late" | "missed" | "prompted";

/** An eye: filled when due or done, hollow when missed, half when prompted, with a late wedge when
 *  late, and no more than dots while nobody has noted what became of it. */
export const EyeMark = ({ state = "due", size = 20 }: { state?: EyeState; size?: number }) => {
  const open = state === "open";
  const filled = state !== "missed" && !open;
  return (
    <svg width={size} height={size * 0.6} viewBox="0 0 20 12" aria-hidden="true">
      <path
        d="M1 6C4 1.5 7 0.8 10 0.8S16 1.5 19 6C16 10.5 13 11.2 10 11.2S4 10.5 1 6Z"
        fill={filled ? ink.teal : "none"}
        stroke={ink.teal}
        strokeWidth={1.4}
        strokeDasharray={open ? "1.6 2" : undefined}
      />
      {state === "prompted" && (
        <path d="M10 0.8C13 0.8 16 1.5 19 6C16 10.5 13 11.2 10 11.2Z" fill={ink.sheet} />
      )}
      <circle
        cx={10}
        cy={6}
        r={3}
        fill={filled ? ink.sheet : "none"}
        stroke={ink.teal}
        strokeWidth={open ? 0 : 1.2}
      />
      {state === "late" && <path d="m13 2 6 4-6 4Z" fill={ink.plum} />}
    </svg>
  );
};
