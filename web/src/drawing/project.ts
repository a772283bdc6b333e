/** Looking through an eye: vehicle-frame points to a picture plane. Draws; decides nothing. */
import type { Metres } from "../api/types";

export type Point3 = readonly [Metres, Metres, Metres];
export type Flat = readonly [number, number];

export interface Camera {
  readonly eye: Point3;
  readonly bearingDeg: number;
  readonly pitchDeg: number;
  /** Pixels for one unit of tangent, and the picture's middle. */
  readonly focal: number;
  readonly cx: number;
  readonly cy: number;
}

const NEAR = 0.08;
type Seen = readonly [right: number, up: number, ahead: number];

const seen = (camera: Camera, [x, y, z]: Point3): Seen => {
  const b = (camera.bearingDeg * Math.PI) / 180;
  const p = (camera.pitchDeg * Math.PI) / 180;
  const [dx, dy, dz] = [x - camera.eye[0], y - camera.eye[1], z - camera.eye[2]];
  const level = dx * Math.cos(b) + dy * Math.sin(b);
  const right = dx * Math.sin(b) - dy * Math.cos(b);
  return [right, dz * Math.cos(p) - level * Math.sin(p), level * Math.cos(p) + dz * Math.sin(p)];
};

/** Cuts a polygon at the near plane (Sutherland and Hodgman 1974, one plane). */
const clipped = (points: readonly Seen[]): Seen[] =>
  points.flatMap((a, i) => {
    const b = points[(i + 1) % points.length] ?? a;
    const kept: Seen[] = a[2] >= NEAR ? [a] : [];
    if (a[2] >= NEAR !== b[2] >= NEAR) {
      const t = (NEAR - a[2]) / (b[2] - a[2]);
      kept.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, NEAR]);
    }
    return kept;
  });

/** A polygon on the picture plane; empty when all of it lies behind the eye. */
export const project = (camera: Camera, points: readonly Point3[]): Flat[] =>
  clipped(points.map((p) => seen(camera, p))).map(([right, up, ahead]) => [
    camera.cx + (camera.focal * right) / ahead,
    camera.cy - (camera.focal * up) / ahead,
  ]);

export const outline = (points: readonly Flat[]): string =>
  points.length < 3
    ? ""
    : `${points.map(([x, y], i) => `${i ? "L" : "M"}${x.toFixed(1)} ${y.toFixed(1)}`).join("")}Z`;

/** The convex hull (Andrew's monotone chain), for the silhouette of something with corners. */
export const hull = (points: readonly Flat[]): Flat[] => {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly Flat[]) => {
    const kept: Flat[] = [];
    for (const p of list) {
      while (kept.length > 1) {
        const [a, b] = [kept.at(-2) as Flat, kept.at(-1) as Flat];
        if ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        kept.pop();
      }
      kept.push(p);
    }
    return kept.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
};
