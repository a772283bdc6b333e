/** Whatever stands or lies at a place: a parked vehicle, what ends a bay, what was put down. */
import type { GroundBody, Metres } from "../api/types";
import { ink } from "../theme";
import { named } from "../words";
import { useFrame } from "./frame";
import { Parked } from "./Parked";

type Obstacle = GroundBody["obstacles"][number];

interface Look {
  fill: string;
  stroke: string;
}

const LOOKS: Record<string, Look> = {
  wall: { fill: "#8C7F6B", stroke: ink.ink },
  "wheel stop": { fill: "#C9B44C", stroke: ink.ink },
  cone: { fill: ink.coral, stroke: "#fff" },
  pole: { fill: "#fff", stroke: ink.coral },
  "solid line": { fill: "#fff", stroke: "#fff" },
  "sensor line": { fill: ink.marigold, stroke: ink.marigold },
  island: { fill: ink.footpath, stroke: "#E6DECB" },
};
const PLAIN: Look = { fill: ink.parked, stroke: ink.chalk };

interface Props {
  obstacle: Obstacle;
  /** How far beyond its middle its name is written, seen from the site's origin, m. */
  beyond?: Metres | null;
}

export const Standing = ({ obstacle, beyond = null }: Props) => {
  const frame = useFrame();
  const { name, kind, polygon_m } = obstacle;
  if (kind === "vehicle") return <Parked name={name} polygon={polygon_m} />;
  const mean = (axis: 0 | 1) => polygon_m.reduce((sum, p) => sum + p[axis], 0) / polygon_m.length;
  const [x, y] = [mean(0), mean(1)];
  const out = 1 + (beyond ?? 0) / Math.hypot(x, y);
  const look = LOOKS[kind] ?? PLAIN;
  return (
    <g data-kind={kind}>
      <path
        d={frame.path(polygon_m, true)}
        fill={look.fill}
        stroke={look.stroke}
        strokeWidth={1.5}
      />
      {kind === "cone" && (
        <circle cx={frame.x(x)} cy={frame.y(y)} r={Math.max(1.5, 0.06 * frame.scale)} fill="#fff" />
      )}
      {frame.named && beyond !== null && frame.scale > 36 && (
        <text
          x={frame.x(x * out)}
          y={frame.y(y * out) + 4}
          fill="#fff"
          fontSize={13}
          textAnchor="middle"
        >
          {named(name)}
        </text>
      )}
    </g>
  );
};
