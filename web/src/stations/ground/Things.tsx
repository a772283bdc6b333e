/** What was put down at a place: moved by finger, mouse or arrow keys, and turned. */

import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import type { Point, Thing } from "../../api/types";
import { useFrame } from "../../drawing/frame";
import { ink } from "../../theme";
import { t } from "../../words";

const STEP = 0.05;
const TURN = 5;
const stepped = (metres: number) => Math.round(metres / STEP) * STEP;

interface Props {
  things: readonly Thing[];
  readOnly: boolean;
  onThing: (thing: Thing) => Promise<unknown>;
}

export const Things = ({ things, readOnly, onThing }: Props) =>
  readOnly
    ? null
    : things.map((thing) => <Handle key={thing.name} thing={thing} onThing={onThing} />);

const KEYS: Record<string, Point> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, STEP],
  ArrowDown: [0, -STEP],
};
const TURNS: Record<string, number> = { "[": TURN, "]": -TURN };

interface HandleProps extends Pick<Props, "onThing"> {
  thing: Thing;
}

/** A round handle over the middle of a thing; the thing follows when the core has moved it. */
const Handle = ({ thing, onThing }: HandleProps) => {
  const frame = useFrame();
  const grabbed = useRef<{ x: number; y: number } | null>(null);
  const [lifted, setLifted] = useState<Point | null>(null);
  const [x, y] = lifted ?? [thing.x_m, thing.y_m];
  // Stays where it was put until the core has caught up, so that quick keys add up.
  useEffect(() => {
    const there = lifted && Math.hypot(thing.x_m - lifted[0], thing.y_m - lifted[1]) < 1e-6;
    if (there && !grabbed.current) setLifted(null);
  }, [thing, lifted]);
  const put = (part: Partial<Thing>) =>
    onThing({ ...thing, x_m: x, y_m: y, ...part }).catch(() => setLifted(null));
  const moveTo = (to: Point) => {
    setLifted(to);
    void put({ x_m: to[0], y_m: to[1] });
  };
  const move = (event: PointerEvent) => {
    if (!grabbed.current) return;
    setLifted([
      stepped(thing.x_m + (event.clientX - grabbed.current.x) / frame.scale),
      stepped(thing.y_m - (event.clientY - grabbed.current.y) / frame.scale),
    ]);
  };
  const drop = () => {
    grabbed.current = null;
    if (lifted) moveTo(lifted);
  };
  const key = (event: KeyboardEvent) => {
    const way = KEYS[event.key];
    const turn = TURNS[event.key];
    if (!way && turn === undefined) return;
    event.preventDefault();
    if (way) moveTo([stepped(x + way[0]), stepped(y + way[1])]);
    else void put({ turned_deg: thing.turned_deg + (turn ?? 0) });
  };
  return (
    <Box
      role="button"
      tabIndex={0}
      aria-label={t("ground.move", { name: thing.name })}
      aria-description={t("ground.arrow keys move")}
      title={t("ground.drag it or use", { name: thing.name })}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        grabbed.current = { x: e.clientX, y: e.clientY };
      }}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={() => {
        grabbed.current = null;
        setLifted(null);
      }}
      onKeyDown={key}
      sx={{
        position: "absolute",
        left: frame.x(x) - 14,
        top: frame.y(y) - 14,
        width: 28,
        height: 28,
        borderRadius: "50%",
        display: "grid",
        placeItems: "center",
        background: lifted ? ink.marigold : "rgba(255,211,107,.75)",
        border: `2px solid ${ink.ink}`,
        cursor: "move",
        touchAction: "none",
        fontWeight: 800,
        fontSize: 13,
        userSelect: "none",
        "&::before": { content: '""', position: "absolute", inset: -9 },
      }}
    >
      ✥
    </Box>
  );
};
