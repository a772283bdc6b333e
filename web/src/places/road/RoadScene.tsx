/** A kerb, its footpath, the parked vehicles and the road's middle. */

import type { GroundBody, Point } from "../../api/types";
import { useFrame } from "../../drawing/frame";
import { Standing } from "../../drawing/Standing";
import { ink } from "../../theme";
import { t } from "../../words";

const KERB_STONE = 0.15;

export const RoadScene = ({ ground }: { ground: GroundBody }) => {
  const frame = useFrame();
  const { left, right, top, bottom } = frame.bounds;
  const away = ground.side === "left" ? -1 : 1;
  const pathEdge = away < 0 ? top : bottom;
  const band = (from: number, to: number): Point[] => [
    [left, from],
    [right, from],
    [right, to],
    [left, to],
  ];
  const farKerb = away * ground.road_width_m;
  const far = away < 0 ? bottom : top;
  const middle = farKerb / 2;
  const verge = ground.edging === "verge";
  const land = verge ? ink.verge : ink.footpath;
  return (
    <g>
      <path d={frame.path(band(0, pathEdge), true)} fill={land} />
      <path d={frame.path(band(farKerb, far), true)} fill={land} />
      {!verge && (
        <g>
          <path d={frame.path(band(0, -away * KERB_STONE), true)} fill="#E6DECB" />
          <KerbJoints side={-away} />
          <path d={frame.path(band(farKerb, farKerb + away * KERB_STONE), true)} fill="#E6DECB" />
        </g>
      )}
      <path
        d={frame.path([
          [left, middle],
          [right, middle],
        ])}
        stroke={ink.chalk}
        strokeOpacity={0.8}
        strokeWidth={Math.max(2, 0.1 * frame.scale)}
        strokeDasharray={`${2 * frame.scale} ${2 * frame.scale}`}
      />
      {ground.goal.kind === "stretch" && <Post side={-away} />}
      {ground.obstacles.map((obstacle) => (
        <Standing key={obstacle.name} obstacle={obstacle} />
      ))}
      {-away * pathEdge * frame.scale > 24 && (
        <text
          x={12}
          y={away < 0 ? 18 : frame.height - 10}
          fill={ink.ink}
          fontSize={13}
          fontWeight={650}
        >
          {verge ? t("places.verge no kerb") : t("names.footpath")}
        </text>
      )}
    </g>
  );
};

/** The post that a stop is told by, behind the kerb's face. */
const Post = ({ side }: { side: number }) => {
  const frame = useFrame();
  const [x, y] = [frame.x(0), frame.y(side * 0.35)];
  return (
    <g>
      <circle cx={x} cy={y} r={Math.max(4, 0.08 * frame.scale)} fill={ink.coral} stroke="#fff" />
      <text x={x + 10} y={y + 4} fill={ink.ink} fontSize={13} fontWeight={650}>
        {t("places.post")}
      </text>
    </g>
  );
};

const KerbJoints = ({ side }: { side: number }) => {
  const frame = useFrame();
  const first = Math.ceil(frame.bounds.left);
  const joints = Array.from({ length: Math.ceil(frame.bounds.right) - first }, (_, i) => first + i);
  return (
    <path
      d={joints
        .map((x) =>
          frame.path([
            [x, 0],
            [x, side * KERB_STONE],
          ]),
        )
        .join("")}
      stroke={ink.soft}
      strokeWidth={0.7}
    />
  );
};
