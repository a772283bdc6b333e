/** A vehicle from above, drawn from its measures. */
import type { Metres, Point, Pose, VehicleBody } from "../api/types";
import { ink } from "../theme";
import { placed, useFrame } from "./frame";

export const rearOverhang = (v: VehicleBody): Metres =>
  v.length_m - v.wheelbase_m - v.front_overhang_m;
export const noseX = (v: VehicleBody): Metres => v.wheelbase_m + v.front_overhang_m;

export const bodyCorners = (v: VehicleBody): Point[] => {
  const rear = -rearOverhang(v);
  const front = noseX(v);
  const w = v.width_m / 2;
  const c = v.corner_cut_m;
  return [
    [rear + c, -w],
    [front - c, -w],
    [front, -w + c],
    [front, w - c],
    [front - c, w],
    [rear + c, w],
    [rear, w - c],
    [rear, -w + c],
  ];
};

const mirrorX = (v: VehicleBody): Metres =>
  v.features.find((f) => f.role === "door mirror")?.x_m ?? 0.8 * v.wheelbase_m;

interface Props {
  vehicle: VehicleBody;
  pose: Pose;
  look?: "start" | "final" | "ghost" | "live" | "played" | "saved";
  /** Where the front wheels point; told, an outline shows its wheels too. */
  wheelDeg?: number;
}

const LOOKS = {
  start: { fill: ink.buff, stroke: ink.ink, opacity: 1, detail: true },
  final: { fill: ink.pale, stroke: ink.ink, opacity: 1, detail: true },
  ghost: { fill: "none", stroke: ink.chalk, opacity: 0.7, detail: false },
  played: { fill: "none", stroke: ink.coral, opacity: 1, detail: false },
  saved: { fill: "none", stroke: "#fff", opacity: 1, detail: false },
  live: { fill: "#FFF6DC", stroke: ink.coral, opacity: 0.96, detail: true },
} as const;

export const VehicleShape = ({ vehicle, pose, look = "start", wheelDeg }: Props) => {
  const frame = useFrame();
  const style = LOOKS[look];
  const on = (points: readonly Point[]) =>
    frame.path(
      points.map((p) => placed(pose, p)),
      true,
    );
  return (
    <g opacity={style.opacity} data-vehicle={look}>
      {(style.detail || wheelDeg !== undefined) && (
        <g fill={style.detail ? ink.ink : style.stroke}>
          <Wheels vehicle={vehicle} pose={pose} wheelDeg={wheelDeg ?? 0} />
        </g>
      )}
      <path
        d={on(bodyCorners(vehicle))}
        fill={style.fill}
        stroke={style.stroke}
        strokeWidth={look === "live" ? 2.5 : 1.5}
        strokeLinejoin="round"
      />
      {style.detail && (
        <g fill="none" stroke={style.stroke} strokeWidth={1}>
          {cabin(vehicle).map((part) => (
            <path key={`${part[0]}`} d={on(part)} />
          ))}
          {mirrors(vehicle).map((part) => (
            <path key={`${part[0]}`} d={on(part)} fill={style.fill} />
          ))}
        </g>
      )}
    </g>
  );
};

/** Roof and windscreen, so that front and back are told apart at a glance. */
const cabin = (v: VehicleBody): Point[][] => {
  const w = v.width_m / 2;
  const back = -rearOverhang(v) + 0.35;
  const screen = 0.86 * v.wheelbase_m;
  const roofFront = 0.58 * v.wheelbase_m;
  const roofBack = back + 0.45;
  return [
    [
      [screen, -w + 0.14],
      [screen + 0.12, 0],
      [screen, w - 0.14],
      [roofFront, w - 0.26],
      [roofFront, -w + 0.26],
    ],
    [
      [back, -w + 0.18],
      [back, w - 0.18],
      [roofBack, w - 0.26],
      [roofBack, -w + 0.26],
    ],
  ];
};

const mirrors = (v: VehicleBody): Point[][] => {
  const x = mirrorX(v);
  const inner = v.width_m / 2;
  const outer = v.mirror_width_m / 2;
  return [1, -1].map((side) => [
    [x, side * inner],
    [x - 0.02, side * outer],
    [x - 0.16, side * outer],
    [x - 0.2, side * inner],
  ]);
};

const Wheels = ({
  vehicle: v,
  pose,
  wheelDeg,
}: {
  vehicle: VehicleBody;
  pose: Pose;
  wheelDeg: number;
}) => {
  const frame = useFrame();
  const wheel = (x: Metres, y: Metres, turn: number) => {
    const hub: Pose = { x_m: 0, y_m: 0, heading_deg: turn };
    const corners: Point[] = [
      [-0.31, -v.tyre_width_m / 2],
      [0.31, -v.tyre_width_m / 2],
      [0.31, v.tyre_width_m / 2],
      [-0.31, v.tyre_width_m / 2],
    ];
    const turned = corners.map((c): Point => {
      const [cx, cy] = placed(hub, c);
      return placed(pose, [x + cx, y + cy]);
    });
    return frame.path(turned, true);
  };
  return (
    <g>
      {[1, -1].map((side) => (
        <g key={side}>
          <path d={wheel(0, (side * v.track_rear_m) / 2, 0)} />
          <path d={wheel(v.wheelbase_m, (side * v.track_front_m) / 2, wheelDeg)} />
        </g>
      ))}
    </g>
  );
};
