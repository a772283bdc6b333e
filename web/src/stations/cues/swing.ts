/** Where the outer front corner leaves its lane. */
import type { Look, Metres, PathPoint, Point, VehicleBody } from "../../api/types";
import { placed } from "../../drawing/frame";
import { noseX } from "../../drawing/VehicleShape";

export interface Swing {
  /** y of the lane's edge. */
  lane: Metres;
  /** The corner's way out of it, beginning with the last stretch before it leaves. */
  track: Point[];
}

/** away : -1 where away from the working side is toward negative y, else 1 */
export const swingOf = (
  path: readonly PathPoint[],
  out: Pick<Look, "at_s_m" | "metres" | "y_m">,
  vehicle: VehicleBody,
  away: 1 | -1,
): Swing => {
  const corner: Point = [noseX(vehicle) - vehicle.corner_cut_m, (away * vehicle.width_m) / 2];
  const lane = out.y_m - away * out.metres;
  const track = path
    .filter((p) => Math.abs(p.s_m - out.at_s_m) < 3)
    .map((p) => placed(p, corner))
    .filter(([, y]) => (y - lane) * away > -0.02);
  return { lane, track };
};
