/** A control pinned to a place on the slab. */
import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import type { Point } from "../api/types";
import { useFrame } from "./frame";

interface Props {
  at: Point;
  children: ReactNode;
  /** Pixels to the right and down. */
  nudge?: readonly [number, number];
  /** Where another one is pinned, that must not be covered. */
  beside?: Point | undefined;
}

/** What the widest control needs to either side, px, and two of them side by side. */
const HALF = 70;
const BOTH = 2 * HALF;

/** How far a control goes aside so that it and another that goes as far the other way both fit. */
const aside = (dx: number, dy: number): number =>
  Math.abs(dy) > 60 ? 0 : (Math.sign(dx) * Math.max(0, BOTH - Math.abs(dx))) / 2;

export const Pin = ({ at, children, nudge = [0, 0], beside }: Props) => {
  const frame = useFrame();
  const [x, y] = [frame.x(at[0]), frame.y(at[1])];
  const clear = beside ? aside(x - frame.x(beside[0]), y - frame.y(beside[1])) : 0;
  return (
    <Box
      sx={{
        position: "absolute",
        // Wholly on the drawing, however narrow that is.
        left: `clamp(${HALF}px, ${x + nudge[0] + clear}px, calc(100% - ${HALF}px))`,
        top: y + nudge[1],
        transform: "translate(-50%, -50%)",
      }}
    >
      {children}
    </Box>
  );
};
