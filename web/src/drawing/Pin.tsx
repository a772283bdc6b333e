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
}

export const Pin = ({ at, children, nudge = [0, 0] }: Props) => {
  const frame = useFrame();
  return (
    <Box
      sx={{
        position: "absolute",
        left: frame.x(at[0]) + nudge[0],
        top: frame.y(at[1]) + nudge[1],
        transform: "translate(-50%, -50%)",
      }}
    >
      {children}
    </Box>
  );
};
