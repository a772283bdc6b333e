/** How much of a place a plan's drawing shows: all that is driven on, and what stands beside it. */
import type { GroundBody, Plan, Point, VehicleBody } from "../../api/types";
import type { Bounds } from "../../drawing/frame";
import { placed } from "../../drawing/frame";
import { noseX, rearOverhang } from "../../drawing/VehicleShape";

export const boundsOf = (plan: Plan, vehicle: VehicleBody, ground: GroundBody): Bounds => {
  switch (ground.goal.kind) {
    case "kerbside":
    case "bay":
      return besideParked(plan, vehicle, ground);
    case "corner":
      return around(driven(plan), { left: -ground.goal.side_width_m - 0.8 });
    default: {
      const shown = around(driven(plan));
      const across = ground.goal.kind === "turnabout" ? ground.road_width_m + 0.9 : 0;
      const reach = Math.max(across, ground.side === "left" ? -shown.bottom : shown.top);
      return ground.side === "left"
        ? { ...shown, bottom: -reach, top: 1.3 }
        : { ...shown, bottom: -1.3, top: reach };
    }
  }
};

const driven = (plan: Plan): Point[] => plan.swept_m.flat();

const around = (points: readonly Point[], least: Partial<Bounds> = {}): Bounds => {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return {
    left: Math.min(...xs, least.left ?? Infinity) - 0.8,
    right: Math.max(...xs) + 0.8,
    bottom: Math.min(...ys) - 0.8,
    top: Math.max(...ys) + 0.8,
  };
};

const besideParked = (plan: Plan, vehicle: VehicleBody, ground: GroundBody): Bounds => {
  const away = ground.side === "left" ? -1 : 1;
  const xs = plan.path.map((p) => p.x_m);
  const ys = plan.path.map((p) => p.y_m * away);
  const parked = ground.obstacles.flatMap((o) => o.polygon_m.map(([x]) => x));
  const bay = ground.goal.kind === "bay";
  const reach = bay ? ground.road_width_m + 0.6 : Math.max(...ys) + vehicle.length_m * 0.5;
  const final = [noseX(vehicle), -rearOverhang(vehicle)].map((x) => placed(plan.final, [x, 0])[1]);
  const inside = bay ? Math.max(depthOf(ground), ...final.map((y) => -away * y)) + 0.5 : 1;
  return {
    left: Math.min(Math.min(...xs) - rearOverhang(vehicle), bay ? -3 : 0) - 0.8,
    right:
      Math.max(Math.max(...xs) + noseX(vehicle), Math.min(Math.max(...parked, bay ? 3 : 0), 5)) +
      0.6,
    bottom: away < 0 ? -reach : -inside,
    top: away < 0 ? inside : reach,
  };
};

/** How far the bays, and what stands in them, reach from their mouths, square to the aisle. */
const depthOf = (ground: GroundBody): number =>
  Math.max(
    ...[
      ...ground.edges.filter((e) => e.kind === "line").map((e) => e.points_m),
      ...ground.obstacles.map((o) => o.polygon_m),
    ].flatMap((points) => points.map(([, y]) => Math.abs(y))),
  );
