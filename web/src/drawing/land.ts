import type { Point } from "../api/types";

/** The ground behind a corner's kerb: its ends joined over the far side. */
export const landOf = (edge: readonly Point[]): Point[] => {
  const larger = (axis: 0 | 1) =>
    edge.reduce((best, p) => (Math.abs(p[axis]) > Math.abs(best) ? p[axis] : best), 0);
  return [...edge, [larger(0), larger(1)]];
};
