/** An aisle with marked bays, who is parked beside, and what ends the bay. */
import type { GroundBody, Point } from "../api/types";
import { ink } from "../theme";
import { useFrame } from "./frame";
import { Parked } from "./Parked";

const FLOOR = "#4A5456";
const LOW = { wall: "#8C7F6B", "wheel stop": "#C9B44C" } as const;

type Standing = GroundBody["obstacles"][number];

/** What ends the bay, with its name beside it where there is room. */
const Low = ({ obstacle }: { obstacle: Standing }) => {
  const frame = useFrame();
  const [x, y] = obstacle.polygon_m.reduce((most, p) => (p[0] > most[0] ? p : most));
  return (
    <g>
      <path
        d={frame.path(obstacle.polygon_m, true)}
        fill={LOW[obstacle.kind as keyof typeof LOW]}
        stroke={ink.ink}
      />
      {frame.scale > 36 && (
        <text x={frame.x(x) + 6} y={frame.y(y) + 4} fill="#fff" fontSize={13}>
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
          <Low key={obstacle.name} obstacle={obstacle} />
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
