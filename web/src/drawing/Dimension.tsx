/** A dimension line in chalk, with its figure beside it. */
import type { Point } from "../api/types";
import { ink } from "../theme";
import { useFrame } from "./frame";

interface Props {
  from: Point;
  to: Point;
  label?: string;
  colour?: string;
  /** Pixels that push the figure off the line, to the right and down. */
  nudge?: readonly [number, number];
}

export const Dimension = ({ from, to, label, colour = "#fff", nudge }: Props) => {
  const frame = useFrame();
  const [x1, y1] = [frame.x(from[0]), frame.y(from[1])];
  const [x2, y2] = [frame.x(to[0]), frame.y(to[1])];
  const long = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [nx, ny] = [(-(y2 - y1) / long) * 5, ((x2 - x1) / long) * 5];
  const level = Math.abs(y2 - y1) < Math.abs(x2 - x1);
  const [dx, dy] = nudge ?? (level ? [0, -7] : [8, 4]);
  return (
    <g stroke={colour} strokeWidth={1.5}>
      <path
        d={`M${x1} ${y1}L${x2} ${y2}M${x1 - nx} ${y1 - ny}L${x1 + nx} ${y1 + ny}M${x2 - nx} ${y2 - ny}L${x2 + nx} ${y2 + ny}`}
        fill="none"
      />
      {label && (
        <text
          x={(x1 + x2) / 2 + dx}
          y={(y1 + y2) / 2 + dy}
          fill={colour}
          stroke={ink.tarmac}
          strokeWidth={4}
          paintOrder="stroke"
          fontSize={13}
          fontWeight={600}
          textAnchor={level ? "middle" : "start"}
        >
          {label}
        </text>
      )}
    </g>
  );
};
