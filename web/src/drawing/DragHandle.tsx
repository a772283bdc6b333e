/** A handle on the slab that moves one measure, by finger, mouse or arrow keys. */
import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import type { Metres, Point } from "../api/types";
import { ink } from "../theme";
import { useFrame } from "./frame";

interface Props {
  label: string;
  at: Point;
  value: Metres;
  /** The way that makes the measure grow by a metre: along the kerb, or square to it. */
  pull: Point;
  onChange: (metres: Metres) => void;
  /** How finely it moves. */
  step?: Metres;
}

const STEP = 0.05;

export const DragHandle = ({ label, at, value, pull, onChange, step = STEP }: Props) => {
  const stepped = (metres: Metres) => Math.round(metres / step) * step;
  const axis = pull[0] === 0 ? "y" : "x";
  const sign = axis === "x" ? pull[0] : pull[1];
  const frame = useFrame();
  const grabbed = useRef<{ at: number; value: Metres; sent: Metres } | null>(null);
  const along = (event: PointerEvent) => (axis === "x" ? event.clientX : -event.clientY);
  const move = (event: PointerEvent) => {
    const start = grabbed.current;
    if (!start) return;
    const metres = stepped(start.value + (sign * (along(event) - start.at)) / frame.scale);
    if (metres === start.sent) return;
    start.sent = metres;
    onChange(metres);
  };
  const key = (event: KeyboardEvent) => {
    const keys = axis === "x" ? ["ArrowLeft", "ArrowRight"] : ["ArrowDown", "ArrowUp"];
    const way = keys.indexOf(event.key);
    if (way < 0) return;
    event.preventDefault();
    onChange(stepped(value + sign * (way === 0 ? -step : step)));
  };
  return (
    <Box
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Number(value.toFixed(2))}
      aria-orientation={axis === "x" ? "horizontal" : "vertical"}
      title={label}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        grabbed.current = { at: along(e), value, sent: value };
      }}
      onPointerMove={move}
      onPointerUp={() => {
        grabbed.current = null;
      }}
      onKeyDown={key}
      sx={{
        position: "absolute",
        left: frame.x(at[0]) - 14,
        top: frame.y(at[1]) - 14,
        width: 28,
        height: 28,
        borderRadius: "50%",
        display: "grid",
        placeItems: "center",
        background: ink.marigold,
        border: `2px solid ${ink.ink}`,
        cursor: axis === "x" ? "ew-resize" : "ns-resize",
        touchAction: "none",
        fontWeight: 800,
        fontSize: 13,
        userSelect: "none",
        "&::before": { content: '""', position: "absolute", inset: -9 },
      }}
    >
      {axis === "x" ? "↔" : "↕"}
    </Box>
  );
};
