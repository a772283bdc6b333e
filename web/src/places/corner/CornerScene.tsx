/** A road and a side road, their kerbs rounding both corners. */

import { useId } from "react";
import type { GroundBody, Point } from "../../api/types";
import { useFrame } from "../../drawing/frame";
import { landOf } from "../../drawing/land";
import { Standing } from "../../drawing/Standing";
import { ink } from "../../theme";
import { t } from "../../words";

const KERB_STONE = 0.15;

export const CornerScene = ({ ground }: { ground: GroundBody }) => {
  const frame = useFrame();
  const { left, right, top, bottom } = frame.bounds;
  const away = ground.side === "left" ? -1 : 1;
  const far = away * ground.road_width_m;
  const beyond = away < 0 ? bottom : top;
  const verge = ground.edging === "verge";
  const corners = ground.edges.filter((edge) => edge.kind === "kerb");
  const side = ground.goal.kind === "corner" ? ground.goal.side_width_m : 0;
  const lands: { name: string; land: Point[]; edge: readonly Point[] }[] = [
    ...corners.map(({ name, points_m }) => ({ name, land: landOf(points_m), edge: points_m })),
    {
      name: "far",
      land: [
        [left, far],
        [right, far],
        [right, beyond],
        [left, beyond],
      ],
      edge: [
        [left, far],
        [right, far],
      ],
    },
  ];
  return (
    <g>
      {lands.map(({ name, land, edge }) => (
        <Land key={name} land={land} edge={edge} verge={verge} />
      ))}
      <Middle from={[left, far / 2]} to={[right, far / 2]} />
      <Middle from={[-side / 2, -away]} to={[-side / 2, away < 0 ? top : bottom]} />
      {ground.obstacles.map((obstacle) => (
        <Standing key={obstacle.name} obstacle={obstacle} />
      ))}
      <text
        x={frame.width - 12}
        y={away < 0 ? 18 : frame.height - 34}
        fill={ink.ink}
        fontSize={13}
        fontWeight={650}
        textAnchor="end"
      >
        {verge ? t("places.verge no kerb") : t("names.footpath")}
      </text>
    </g>
  );
};

/** Ground behind a kerb, with the kerb's stones along its edge. */
interface LandProps {
  land: readonly Point[];
  edge: readonly Point[];
  verge: boolean;
}

const Land = ({ land, edge, verge }: LandProps) => {
  const frame = useFrame();
  const clip = useId();
  return (
    <g>
      <clipPath id={clip}>
        <path d={frame.path(land, true)} />
      </clipPath>
      <path d={frame.path(land, true)} fill={verge ? ink.verge : ink.footpath} />
      <path
        d={frame.path(edge)}
        fill="none"
        stroke={verge ? "none" : "#E6DECB"}
        strokeWidth={2 * KERB_STONE * frame.scale}
        clipPath={`url(#${clip})`}
      />
    </g>
  );
};

const Middle = ({ from, to }: { from: Point; to: Point }) => {
  const frame = useFrame();
  return (
    <path
      d={frame.path([from, to])}
      stroke={ink.chalk}
      strokeOpacity={0.8}
      strokeWidth={Math.max(2, 0.1 * frame.scale)}
      strokeDasharray={`${2 * frame.scale} ${2 * frame.scale}`}
    />
  );
};
