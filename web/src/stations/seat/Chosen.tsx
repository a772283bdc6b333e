/** The part of a vehicle that is being looked at, ringed on a drawing of it. */

import type { Point } from "../../api/types";
import { useFrame } from "../../drawing/frame";
import { ink } from "../../theme";

export const Chosen = ({ points }: { points: readonly Point[] }) => {
  const frame = useFrame();
  return points.map((at) => (
    <circle
      key={at.join()}
      cx={frame.x(at[0])}
      cy={frame.y(at[1])}
      r={8}
      fill="none"
      stroke={ink.coral}
      strokeWidth={3}
    />
  ));
};
