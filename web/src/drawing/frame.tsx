/** The one transform between site metres and slab pixels. y flips here and nowhere else. */
import { createContext, useContext } from "react";
import type { Metres, Point, Pose } from "../api/types";

export interface Bounds {
  readonly left: Metres;
  readonly right: Metres;
  readonly bottom: Metres;
  readonly top: Metres;
}

export interface Frame {
  readonly width: number;
  readonly height: number;
  readonly bounds: Bounds;
  readonly scale: number;
  /** Whether what stands there has its name on it. */
  readonly named: boolean;
  readonly x: (m: Metres) => number;
  readonly y: (m: Metres) => number;
  readonly path: (points: readonly Point[], close?: boolean) => string;
  /** Site metres under a pointer, given pixels inside the drawing. */
  readonly toSite: (px: number, py: number) => Point;
}

/** Fits bounds into a drawing, equal scale both ways, centred. */
export const makeFrame = (width: number, height: number, wanted: Bounds, named = true): Frame => {
  const scale = Math.min(
    width / (wanted.right - wanted.left),
    height / (wanted.top - wanted.bottom),
  );
  const spareX = (width / scale - (wanted.right - wanted.left)) / 2;
  const spareY = (height / scale - (wanted.top - wanted.bottom)) / 2;
  const bounds = {
    left: wanted.left - spareX,
    right: wanted.right + spareX,
    bottom: wanted.bottom - spareY,
    top: wanted.top + spareY,
  };
  const x = (m: Metres) => (m - bounds.left) * scale;
  const y = (m: Metres) => (bounds.top - m) * scale;
  const path = (points: readonly Point[], close = false) =>
    points
      .map(([px, py], i) => `${i ? "L" : "M"}${x(px).toFixed(1)} ${y(py).toFixed(1)}`)
      .join("") + (close ? "Z" : "");
  const toSite = (px: number, py: number): Point => [
    bounds.left + px / scale,
    bounds.top - py / scale,
  ];
  return { width, height, bounds, scale, named, x, y, path, toSite };
};

const Context = createContext<Frame | null>(null);
export const FrameProvider = Context.Provider;

export const useFrame = (): Frame => {
  const frame = useContext(Context);
  if (!frame) throw new Error("useFrame: there is no frame here; draw inside <Slab>");
  return frame;
};

/** A point fixed in a body, on the site. */
export const placed = (pose: Pose, [x, y]: Point): Point => {
  const heading = (pose.heading_deg * Math.PI) / 180;
  const cos = Math.cos(heading);
  const sin = Math.sin(heading);
  return [pose.x_m + cos * x - sin * y, pose.y_m + sin * x + cos * y];
};
