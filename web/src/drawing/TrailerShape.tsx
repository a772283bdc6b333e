/** A trailer from above, behind its towing vehicle. */
import type { BackingPoint, Point, Pose, TrailerBody } from "../api/types";
import { ink } from "../theme";
import { placed, useFrame } from "./frame";

/** Where the trailer's axle stands, given where the towing vehicle does. */
export const trailerPose = (trailer: TrailerBody, at: Props["at"]): Pose => {
  const [x, y] = placed(at, [trailer.hitch_ahead_of_axle_m, 0]);
  const behind = placed({ x_m: x, y_m: y, heading_deg: at.trailer_heading_deg }, [
    -trailer.kingpin_to_axle_m,
    0,
  ]);
  return { x_m: behind[0], y_m: behind[1], heading_deg: at.trailer_heading_deg };
};

interface Props {
  trailer: TrailerBody;
  at: Pick<BackingPoint, "x_m" | "y_m" | "heading_deg" | "trailer_heading_deg">;
  look: "ghost" | "now";
}

export const TrailerShape = ({ trailer, at, look }: Props) => {
  const frame = useFrame();
  const pose = trailerPose(trailer, at);
  const nose = trailer.kingpin_to_axle_m + trailer.front_of_kingpin_m;
  const half = trailer.width_m / 2;
  const on = (points: readonly Point[], close = true) =>
    frame.path(
      points.map((p) => placed(pose, p)),
      close,
    );
  const ghost = look === "ghost";
  return (
    <g data-trailer={look} opacity={ghost ? 0.7 : 1}>
      <path
        d={on([
          [nose - trailer.length_m, -half],
          [nose, -half],
          [nose, half],
          [nose - trailer.length_m, half],
        ])}
        fill={ghost ? "none" : ink.pale}
        fillOpacity={0.92}
        stroke={ghost ? ink.chalk : ink.ink}
        strokeWidth={1.5}
      />
      {!ghost && (
        <g stroke={ink.ink} strokeWidth={1.5}>
          <path
            d={on(
              [
                [0, -half],
                [0, half],
              ],
              false,
            )}
          />
          <path
            d={on(
              [
                [nose, 0],
                [trailer.kingpin_to_axle_m, 0],
              ],
              false,
            )}
          />
          <circle
            cx={frame.x(placed(pose, [trailer.kingpin_to_axle_m, 0])[0])}
            cy={frame.y(placed(pose, [trailer.kingpin_to_axle_m, 0])[1])}
            r={4}
            fill={ink.ink}
          />
        </g>
      )}
    </g>
  );
};
