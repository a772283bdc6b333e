/** Both units on the slab: where they began, where they are, the way of the trailer's axle. */

import type { BackingPoint, Metres, Point, TrailerBody, VehicleBody } from "../../api/types";
import { type Bounds, useFrame } from "../../drawing/frame";
import { Slab } from "../../drawing/Slab";
import { TrailerShape, trailerPose } from "../../drawing/TrailerShape";
import { noseX, VehicleShape } from "../../drawing/VehicleShape";
import { ink } from "../../theme";
import { t } from "../../words";

interface Props {
  vehicle: VehicleBody;
  trailer: TrailerBody;
  path: readonly BackingPoint[];
  /** Width of the lane, its middle the line at the start. */
  lane: Metres;
}

/** From the nose at the start to well behind where the trailer has come to. */
const boundsOf = ({ vehicle, trailer, path, lane }: Props): Bounds => {
  const axles = path.map((p) => trailerPose(trailer, p));
  const behind = trailer.length_m - trailer.front_of_kingpin_m - trailer.kingpin_to_axle_m + 1.5;
  const xs = axles.map((p) => p.x_m);
  const ys = [...axles, ...path].map((p) => p.y_m);
  const ahead = Math.max(...path.map((p) => p.x_m)) + noseX(vehicle) + 0.5;
  return {
    left: Math.min(Math.min(...xs) - behind, ahead - 30),
    right: ahead,
    bottom: Math.min(...ys, -lane / 2 + 2) - 2.6,
    top: Math.max(...ys, lane / 2 - 2) + 2.6,
  };
};

export const BackingSlab = (props: Props) => (
  <Slab bounds={boundsOf(props)} label={t("trailer.vehicle and trailer to scale")}>
    <Drawing {...props} />
  </Slab>
);

const Drawing = ({ vehicle, trailer, path, lane }: Props) => {
  const frame = useFrame();
  const [first] = path;
  const last = path.at(-1);
  if (!first || !last) return null;
  const axle = path.map((p): Point => {
    const pose = trailerPose(trailer, p);
    return [pose.x_m, pose.y_m];
  });
  return (
    <g>
      <path
        d={frame.path([
          [frame.bounds.left, 0],
          [frame.bounds.right, 0],
        ])}
        stroke={ink.chalk}
        strokeOpacity={0.6}
        strokeDasharray="8 8"
      />
      {[-lane / 2, lane / 2].map((y) => (
        <path
          key={y}
          d={frame.path([
            [frame.bounds.left, y],
            [frame.bounds.right, y],
          ])}
          stroke={ink.chalk}
          strokeWidth={Math.max(2, 0.1 * frame.scale)}
        />
      ))}
      <TrailerShape trailer={trailer} at={first} look="ghost" />
      <VehicleShape vehicle={vehicle} pose={first} look="ghost" />
      <path d={frame.path(axle)} fill="none" stroke={ink.marigold} strokeWidth={2.5} />
      <VehicleShape vehicle={vehicle} pose={last} look="start" wheelDeg={last.wheel_deg} />
      <TrailerShape trailer={trailer} at={last} look="now" />
    </g>
  );
};
