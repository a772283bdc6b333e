/** The least room a method can use, in words. */
import type { LeastSize } from "../api/types";
import { length, type Units } from "../shell/units";

export const LEAST: Record<LeastSize["what"], string> = {
  gap: "Least gap between two that it can use",
  "bay width": "Least width of bay that it can use",
  aisle: "Least width of aisle that it can use",
  "road width": "Least width of road that it can use",
};

export const leastOf = ({ metres }: LeastSize, units: Units): string =>
  metres === null ? "none within reason" : length(metres, units);
