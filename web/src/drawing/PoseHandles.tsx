/** Two handles on a vehicle: one moves it, one turns it, by finger, mouse or arrow keys. */

import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from "react";
import type { Metres, Point, Pose, VehicleBody } from "../api/types";
import { ink } from "../theme";
import { t } from "../words";
import { placed, useFrame } from "./frame";
import { noseX } from "./VehicleShape";

interface Props {
  vehicle: VehicleBody;
  pose: Pose;
  change: (pose: Pose) => void;
}

/** What an arrow key moves it by, and turns it by. */
const STEP: Metres = 0.02;
const TURN_DEG = 0.5;
const WAYS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

export const PoseHandles = ({ vehicle, pose, change }: Props) => {
  const frame = useFrame();
  const middle = noseX(vehicle) / 2;
  const nose = placed(pose, [noseX(vehicle), 0]);
  const moveTo = (from: Pose, dx: Metres, dy: Metres) =>
    change({ ...from, x_m: from.x_m + dx, y_m: from.y_m + dy });
  /** About its middle, so that a turn does not carry it off. */
  const turnTo = (from: Pose, heading_deg: number) => {
    const [x, y] = placed(from, [middle, 0]);
    const [dx, dy] = placed({ x_m: 0, y_m: 0, heading_deg }, [middle, 0]);
    change({ x_m: x - dx, y_m: y - dy, heading_deg });
  };
  /** Which way the nose is from the middle, when a hand has pulled it there. */
  const headingTo = (from: Pose, [dx, dy]: Point): number => {
    const [x, y] = placed(from, [middle, 0]);
    const [nx, ny] = placed(from, [noseX(vehicle), 0]);
    const was = Math.atan2(ny - y, nx - x);
    const now = Math.atan2(ny + dy - y, nx + dx - x);
    const turned = Math.atan2(Math.sin(now - was), Math.cos(now - was));
    return from.heading_deg + (turned * 180) / Math.PI;
  };
  return (
    <>
      <Handle
        label={t("learning.move it")}
        at={placed(pose, [middle, 0])}
        frameScale={frame.scale}
        begin={() => pose}
        pull={(from, [dx, dy]) => moveTo(from, dx, dy)}
        step={([dx, dy]) => moveTo(pose, dx * STEP, dy * STEP)}
      >
        ✥
      </Handle>
      <Handle
        label={t("learning.turn it")}
        at={nose}
        frameScale={frame.scale}
        begin={() => pose}
        pull={(from, by) => turnTo(from, headingTo(from, by))}
        step={([dx, dy]) => turnTo(pose, pose.heading_deg + (dy || -dx) * TURN_DEG)}
      >
        ↻
      </Handle>
    </>
  );
};

interface HandleProps {
  label: string;
  at: Point;
  frameScale: number;
  begin: () => Pose;
  /** How far a hand has pulled it since it took hold, on the site. */
  pull: (from: Pose, by: Point) => void;
  step: (way: Point) => void;
  children: ReactNode;
}

const Handle = ({ label, at, frameScale, begin, pull, step, children }: HandleProps) => {
  const frame = useFrame();
  const held = useRef<{ x: number; y: number; from: Pose } | null>(null);
  const move = (event: PointerEvent) => {
    const start = held.current;
    if (!start) return;
    pull(start.from, [
      (event.clientX - start.x) / frameScale,
      (start.y - event.clientY) / frameScale,
    ]);
  };
  const key = (event: KeyboardEvent) => {
    const way = WAYS[event.key];
    if (!way) return;
    event.preventDefault();
    step(way);
  };
  return (
    <Box
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-description={t("learning.arrow keys")}
      title={label}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = { x: e.clientX, y: e.clientY, from: begin() };
      }}
      onPointerMove={move}
      onPointerUp={() => {
        held.current = null;
      }}
      onPointerCancel={() => {
        held.current = null;
      }}
      onKeyDown={key}
      sx={{
        position: "absolute",
        left: frame.x(at[0]) - 18,
        top: frame.y(at[1]) - 18,
        width: 36,
        height: 36,
        borderRadius: "50%",
        display: "grid",
        placeItems: "center",
        background: ink.marigold,
        border: `2px solid ${ink.ink}`,
        cursor: "move",
        touchAction: "none",
        fontWeight: 800,
        userSelect: "none",
        "&::before": { content: '""', position: "absolute", inset: -6 },
      }}
    >
      {children}
    </Box>
  );
};
