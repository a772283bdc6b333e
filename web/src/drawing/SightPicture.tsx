/** What the driver sees at a moment: the cabin's glass, and the place through it. */

import { useId } from "react";
import type { Call, GroundBody, Point, Pose, VehicleBody } from "../api/types";
import { ink } from "../theme";
import { t } from "../words";
import { landOf } from "./land";
import { type Camera, hull, outline, type Point3, project } from "./project";

const WIDTH = 316;
const HEIGHT = 196;
const KERB_HEIGHT = 0.12;
const WAIST = 0.85;

interface Props {
  call: Call;
  pose: Pose;
  vehicle: VehicleBody;
  ground: GroundBody;
}

export const SightPicture = ({ call, pose, vehicle, ground }: Props) => {
  const clip = useId();
  const cue = call.cues[0];
  if (!cue) return null;
  const camera: Camera = {
    eye: cue.eye_m,
    bearingDeg: cue.bearing_deg,
    pitchDeg: -7,
    focal: 205,
    cx: WIDTH / 2,
    cy: HEIGHT / 2 - 12,
  };
  const into = intoVehicle(pose);
  const target = into([cue.target_x_m, cue.target_y_m]);
  const mark: Point3 = [cue.x_m, cue.y_m, cue.z_m];
  const place = scenery(camera, ground, into);
  // A mark on the ground gets a short pin, an upright edge its whole height.
  const top = Math.max(Math.min(cue.target_z_m, 1), 0.12);
  const upright = project(camera, [
    [target[0], target[1], 0.02],
    [target[0], target[1], top],
    [target[0], target[1], 0.02],
  ]);
  const [spot] = project(camera, [mark, mark, mark]);
  const horizon = camera.cy + camera.focal * Math.tan((camera.pitchDeg * Math.PI) / 180);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label={t("drawing.sight picture at call", { number: call.number })}
      style={{ display: "block", borderRadius: 8, background: ink.cabin }}
    >
      <clipPath id={clip}>
        {vehicle.glass.map((pane, i) => (
          <path
            // biome-ignore lint/suspicious/noArrayIndexKey: panes may share a name, never their order
            key={i}
            d={outline(project(camera, pane.polygon_m))}
          />
        ))}
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect width={WIDTH} height={HEIGHT} fill="#DCE6E8" />
        <rect y={horizon} width={WIDTH} height={HEIGHT} fill={ink.tarmac} />
        {place.map((part) => (
          <path
            key={part.key}
            d={part.d}
            fill={part.fill}
            stroke={ink.ink}
            strokeOpacity={0.5}
            strokeWidth={0.8}
          />
        ))}
      </g>
      {upright.length > 1 && (
        <path
          d={`M${upright[0]?.[0]} ${upright[0]?.[1]}L${upright[1]?.[0]} ${upright[1]?.[1]}`}
          stroke={ink.coral}
          strokeWidth={2.5}
          strokeDasharray="5 4"
        />
      )}
      {spot && <path d={`M${spot[0]} ${spot[1] + 3}l-7 13h14Z`} fill={ink.coral} />}
    </svg>
  );
};

const intoVehicle = (pose: Pose) => {
  const heading = (pose.heading_deg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(heading), Math.sin(heading)];
  return ([x, y]: Point): Point => {
    const [dx, dy] = [x - pose.x_m, y - pose.y_m];
    return [cos * dx + sin * dy, cos * dy - sin * dx];
  };
};

interface Part {
  key: string;
  d: string;
  fill: string;
}

/** Footpath and kerb face, then each parked vehicle as a lower body and a cabin. */
const scenery = (camera: Camera, ground: GroundBody, into: (p: Point) => Point): Part[] => {
  const near = ground.side === "left" ? 1 : -1;
  const lift = (p: Point, z: number): Point3 => [...into(p), z];
  const strip = (y0: number, z0: number, y1: number, z1: number): string =>
    outline(
      project(camera, [
        lift([-30, y0], z0),
        lift([30, y0], z0),
        lift([30, y1], z1),
        lift([-30, y1], z1),
      ]),
    );
  const road = ground.road_width_m;
  const rounded = ground.edges.filter((e) => e.kind === "kerb" && e.points_m.length > 2);
  const straight = ground.edges.some((e) => e.kind === "kerb" && e.points_m.length === 2);
  const parts: Part[] = [
    ...bayLines(camera, ground, into),
    ...corners(camera, rounded, lift),
    ...(straight
      ? [
          { key: "path", d: strip(0, KERB_HEIGHT, near * 25, KERB_HEIGHT), fill: ink.footpath },
          { key: "kerb", d: strip(0, 0, 0, KERB_HEIGHT), fill: "#E6DECB" },
        ]
      : []),
    {
      key: "far",
      d: strip(-near * road, KERB_HEIGHT, -near * (road + 25), KERB_HEIGHT),
      fill: ink.footpath,
    },
    { key: "far kerb", d: strip(-near * road, 0, -near * road, KERB_HEIGHT), fill: "#E6DECB" },
  ];
  const ordered = [...ground.obstacles].sort(
    (a, b) => distance(camera, b.polygon_m, into) - distance(camera, a.polygon_m, into),
  );
  for (const parked of ordered) {
    const prism = (points: readonly Point[], z0: number, z1: number) =>
      outline(
        hull([
          ...project(
            camera,
            points.map((p) => lift(p, z0)),
          ),
          ...project(
            camera,
            points.map((p) => lift(p, z1)),
          ),
        ]),
      );
    if (parked.kind !== "vehicle") {
      const solid = prism(parked.polygon_m, 0, parked.height_m);
      parts.push({ key: parked.name, d: solid, fill: "#8C7F6B" });
      continue;
    }
    parts.push({ key: parked.name, d: prism(parked.polygon_m, 0.15, WAIST), fill: ink.parked });
    parts.push({
      key: `${parked.name} cabin`,
      d: prism(shrunk(parked.polygon_m), WAIST, parked.height_m),
      fill: "#6E7F84",
    });
  }
  return parts;
};

/** The ground behind each rounded kerb, and the kerb's face before it, farther stones first. */
const corners = (
  camera: Camera,
  kerbs: GroundBody["edges"],
  lift: (p: Point, z: number) => Point3,
): Part[] =>
  kerbs.flatMap(({ name, points_m }) => {
    const near = points_m.map((p): Point => [clamp(p[0]), clamp(p[1])]);
    const stones = near.slice(1).map((p, i): Part => {
      const before = near[i] ?? p;
      const face = [lift(before, 0), lift(p, 0), lift(p, KERB_HEIGHT), lift(before, KERB_HEIGHT)];
      return { key: `${name} ${i}`, d: outline(project(camera, face)), fill: "#E6DECB" };
    });
    const land = landOf(near).map((p) => lift(p, KERB_HEIGHT));
    return [
      { key: `${name} land`, d: outline(project(camera, land)), fill: ink.footpath },
      ...stones,
    ];
  });

const clamp = (metres: number) => Math.max(-30, Math.min(30, metres));

/** The bays' lines, each a hand's breadth wide. */
const bayLines = (camera: Camera, ground: GroundBody, into: (p: Point) => Point): Part[] =>
  ground.edges
    .filter((edge) => edge.kind === "line" && edge.points_m.length === 2)
    .map((edge) => {
      const corners = edge.points_m.flatMap(([x, y], i): Point3[] =>
        (i === 0 ? [-0.05, 0.05] : [0.05, -0.05]).map((off) => [...into([x + off, y]), 0]),
      );
      return { key: edge.name, d: outline(project(camera, corners)), fill: ink.chalk };
    });

const middle = (points: readonly Point[]): Point => {
  const sum = points.reduce<Point>(([ax, ay], [x, y]) => [ax + x, ay + y], [0, 0]);
  return [sum[0] / points.length, sum[1] / points.length];
};

const shrunk = (points: readonly Point[]): Point[] => {
  const [mx, my] = middle(points);
  return points.map(([x, y]) => [mx + (x - mx) * 0.62, my + (y - my) * 0.84]);
};

const distance = (camera: Camera, points: readonly Point[], into: (p: Point) => Point): number => {
  const [x, y] = into(middle(points));
  return Math.hypot(x - camera.eye[0], y - camera.eye[1]);
};
