/** The ribbon followed: where along the way somebody points, and where the vehicle is there. */
import { useSyncExternalStore } from "react";
import type { Metres, PathPoint } from "../api/types";

/** How far along it is followed, null where nobody does: told to what draws it, and to nothing else. */
export interface Scrub {
  read: () => Metres | null;
  set: (s: Metres | null) => void;
  subscribe: (told: () => void) => () => void;
}

export const makeScrub = (): Scrub => {
  let here: Metres | null = null;
  const listening = new Set<() => void>();
  return {
    read: () => here,
    set: (s) => {
      here = s;
      for (const told of listening) told();
    },
    subscribe: (told) => {
      listening.add(told);
      return () => listening.delete(told);
    },
  };
};

export const useScrubbed = (scrub: Scrub): Metres | null =>
  useSyncExternalStore(scrub.subscribe, scrub.read);

/** Whether anybody follows it at all. */
export const useFollowed = (scrub: Scrub): boolean =>
  useSyncExternalStore(scrub.subscribe, () => scrub.read() !== null);

/** Where the vehicle is after so many metres, between the path's samples. */
export const at = (path: readonly PathPoint[], s: Metres): PathPoint => {
  const last = path.at(-1);
  if (!last) throw new Error("at: a plan without a path; draw it only once it has come");
  const index = path.findIndex((p) => p.s_m >= s);
  if (index < 0) return last;
  const b = path[index] ?? last;
  const a = path[index - 1] ?? b;
  const span = b.s_m - a.s_m;
  const t = span > 0 ? (s - a.s_m) / span : 0;
  const mix = (from: number, to: number) => from + (to - from) * t;
  return {
    s_m: s,
    x_m: mix(a.x_m, b.x_m),
    y_m: mix(a.y_m, b.y_m),
    heading_deg: mix(a.heading_deg, b.heading_deg),
    turns: mix(a.turns, b.turns),
    wheel_deg: mix(a.wheel_deg, b.wheel_deg),
    leg: b.leg,
  };
};
