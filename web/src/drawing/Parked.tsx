/** A parked vehicle with its name along its longer side. */
import type { Point } from "../api/types";
import { ink } from "../theme";
import { useFrame } from "./frame";

// About a letter's width, px: a name that would stick out is left away.
const LETTER = 7;

/** Degrees by which a name has to be turned to lie along the longest side and read upward. */
const lieOf = (polygon: readonly Point[]): number => {
  const sides = polygon.map(([x, y], i): Point => {
    const [nx, ny] = polygon[(i + 1) % polygon.length] ?? [x, y];
    return [nx - x, ny - y];
  });
  const [dx, dy] = sides.reduce((a, b) =>
    Math.hypot(b[0], b[1]) > Math.hypot(a[0], a[1]) ? b : a,
  );
  const turned = (-Math.atan2(dy, dx) * 180) / Math.PI;
  return ((((turned + 90.5) % 180) + 180) % 180) - 90.5;
};

export const Parked = ({ name, polygon }: { name: string; polygon: readonly Point[] }) => {
  const frame = useFrame();
  const xs = polygon.map(([x]) => x);
  const ys = polygon.map(([, y]) => y);
  const long =
    Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)) * frame.scale;
  const x = frame.x((Math.min(...xs) + Math.max(...xs)) / 2);
  const y = frame.y((Math.min(...ys) + Math.max(...ys)) / 2);
  return (
    <g>
      <path d={frame.path(polygon, true)} fill={ink.parked} stroke={ink.chalk} strokeWidth={1.5} />
      {long > name.length * LETTER && (
        <text
          transform={`translate(${x} ${y}) rotate(${lieOf(polygon)})`}
          y={5}
          fill="#fff"
          fontSize={13}
          textAnchor="middle"
          fontWeight={600}
        >
          {name}
        </text>
      )}
    </g>
  );
};
