/** An aisle with marked bays, who is parked beside, and what ends the bay. */
import type { GroundBody, Point } from "../api/types";
import { ink } from "../theme";
import { bayAxis } from "./berth";
import { useFrame } from "./frame";
import { Parked } from "./Parked";

const FLOOR = "#4A5456";
const LOW = { wall: "#8C7F6B", "wheel stop": "#C9B44C" } as const;

type Standing = GroundBody["obstacles"][number];

interface LowProps {
  obstacle: Standing;
  /** The way into the bay, one metre long. */
  into: Point;
}

/** What ends the bay, with its name beyond it where there is room. */
const Low = ({ obstacle, into }: LowProps) => {
  const frame = useFrame();
  const mean = (axis: 0 | 1) =>
    obstacle.polygon_m.reduce((sum, p) => sum + p[axis], 0) / obstacle.polygon_m.length;
  const beyond = 0.6;
  return (
    <g>
      <path
        d={frame.path(obstacle.polygon_m, true)}
        fill={LOW[obstacle.kind as keyof typeof LOW]}
        stroke={ink.ink}
      />
      {frame.scale > 36 && (
        <text
          x={frame.x(mean(0) + into[0] * beyond)}
          y={frame.y(mean(1) + into[1] * beyond) + 4}
          fill="#fff"
          fontSize={13}
          textAnchor="middle"
        >
          {obstacle.name}
        </text>
      )}
    </g>
  );
};

export const BayScene = ({ ground }: { ground: GroundBody }) => {
  const frame = useFrame();
  const { left, right, top, bottom } = frame.bounds;
  const away = ground.side === "left" ? -1 : 1;
  const into: Point = ground.goal.kind === "bay" ? bayAxis(ground.side, ground.goal) : [0, -away];
  const far = away * ground.road_width_m;
  const beyond = away < 0 ? bottom : top;
  const band = (from: number, to: number): Point[] => [
    [left, from],
    [right, from],
    [right, to],
    [left, to],
  ];
  return (
    <g>
      <path d={frame.path(band(0, away < 0 ? top : bottom), true)} fill={FLOOR} />
      <path d={frame.path(band(far, beyond), true)} fill={ink.footpath} />
      {ground.edges
        .filter((edge) => edge.kind === "line")
        .map((edge) => (
          <path
            key={edge.name}
            d={frame.path(edge.points_m)}
            stroke={ink.chalk}
            strokeWidth={Math.max(2, 0.1 * frame.scale)}
            fill="none"
          />
        ))}
      {ground.obstacles.map((obstacle) =>
        obstacle.kind === "vehicle" ? (
          <Parked key={obstacle.name} name={obstacle.name} polygon={obstacle.polygon_m} />
        ) : (
          <Low key={obstacle.name} obstacle={obstacle} into={into} />
        ),
      )}
      {(beyond - far) * away * frame.scale > 18 && (
        <text x={12} y={away < 0 ? frame.height - 10 : 18} fill={ink.ink} fontSize={13}>
          far side of the aisle
        </text>
      )}
    </g>
  );
};
