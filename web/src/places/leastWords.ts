/** The least room a method can use, in words. */

import type { LeastSize } from "../api/types";
import { length, type Units } from "../shell/units";
import { type Code, t } from "../words";

export const LEAST: Record<LeastSize["what"], Code> = {
  gap: "places.least gap between two",
  "bay width": "places.least width of bay",
  aisle: "places.least width of aisle",
  "road width": "places.least width of road",
};

export const leastOf = ({ metres }: LeastSize, units: Units): string =>
  metres === null ? t("places.none within reason") : length(metres, units);
