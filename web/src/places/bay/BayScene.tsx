/** An aisle with marked bays, who is parked beside, and what ends the bay. */

import type { GroundBody, Point } from "../../api/types";
import { useFrame } from "../../drawing/frame";
import { Standing } from "../../drawing/Standing";
import { ink } from "../../theme";
import { t } from "../../words";

const FLOOR = "#4A5456";
// What ends a bay has its name so far beyond it, seen from the mouth, m.
const BEYOND = 0.6;
const ENDS = ["wall", "wheel stop"];

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
      {ground.obstacles.map((obstacle) => (
        <Standing
          key={obstacle.name}
          obstacle={obstacle}
          beyond={ENDS.includes(obstacle.kind) ? BEYOND : null}
        />
      ))}
      {(beyond - far) * away * frame.scale > 18 && (
        <text x={12} y={away < 0 ? frame.height - 10 : 18} fill={ink.ink} fontSize={13}>
          {t("places.far side of the aisle")}
        </text>
      )}
    </g>
  );
};
