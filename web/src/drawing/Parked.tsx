/** A parked vehicle with its name along its longer side. */
import type { Point } from "../api/types";
import { ink } from "../theme";
import { named } from "../words";
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
  // Where it lies in sight: the name of what is half off the drawing stands on the other half.
  const xs = polygon.map(([x]) => Math.min(Math.max(frame.x(x), 0), frame.width));
  const ys = polygon.map(([, y]) => Math.min(Math.max(frame.y(y), 0), frame.height));
  const wide = Math.max(...xs) - Math.min(...xs);
  const high = Math.max(...ys) - Math.min(...ys);
  const lie = lieOf(polygon);
  const said = named(name);
  const long = Math.abs(lie) > 45 ? high : wide;
  const x = Math.min(...xs) + wide / 2;
  const y = Math.min(...ys) + high / 2;
  return (
    <g>
      <path d={frame.path(polygon, true)} fill={ink.parked} stroke={ink.chalk} strokeWidth={1.5} />
      {frame.named && long > said.length * LETTER && (
        <text
          transform={`translate(${x} ${y}) rotate(${lie})`}
          y={5}
          fill="#fff"
          fontSize={13}
          textAnchor="middle"
          fontWeight={600}
        >
          {said}
        </text>
      )}
    </g>
  );
};
