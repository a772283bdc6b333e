/** The places of a vehicle that cues are told by, each measured or assumed, to be replaced one by one. */

import type { Metres, Point, SeatBody, VehicleBody } from "../../api/types";
import { named, t } from "../../words";

export interface Place {
  x_m: Metres;
  y_m: Metres;
  z_m: Metres;
}

/** A mark, a pane's corner, a mirror's middle, or a mark of one's own. */
export interface Part {
  key: string;
  name: string;
  at: Place;
  /** Whether it is as usual for the body; null for what is the driver's own. */
  assumed: boolean | null;
}

type Draft = { vehicle: VehicleBody; seat: SeatBody };

const side = (y: Metres) =>
  Math.abs(y) < 0.05 ? "" : y > 0 ? t("seat.on the left") : t("seat.on the right");
const called = (name: string, y: Metres) => [named(name), side(y)].filter(Boolean).join(", ");

export const partsOf = ({ vehicle, seat }: Draft): Part[] => {
  const all = (part: "marks" | "glass" | "mirrors") => vehicle.assumed.includes(part);
  return [
    ...seat.marks.map((mark, i) => ({
      key: `own ${i}`,
      name: mark.name,
      at: mark,
      assumed: null,
    })),
    ...vehicle.features.map((mark, i) => ({
      key: `mark ${i}`,
      name: called(mark.name, mark.y_m),
      at: mark,
      assumed: mark.assumed ?? all("marks"),
    })),
    ...vehicle.glass.flatMap((pane, i) =>
      pane.polygon_m.map(([x_m, y_m, z_m], k) => ({
        key: `pane ${i} ${k}`,
        name: `${called(pane.name, middleOf(pane.polygon_m))}, ${t("seat.corner", { number: k + 1 })}`,
        at: { x_m, y_m, z_m },
        assumed: pane.assumed ?? all("glass"),
      })),
    ),
    ...vehicle.mirrors.map((mirror, i) => ({
      key: `mirror ${i}`,
      name: named(mirror.name),
      at: mirror.centre,
      assumed: mirror.assumed ?? all("mirrors"),
    })),
  ];
};

const middleOf = (corners: readonly (readonly [number, number, number])[]) =>
  corners.reduce((sum, [, y]) => sum + y, 0) / corners.length;

/** The same with a part where the tape says it is: measured from now on. */
export const moved = ({ vehicle, seat }: Draft, key: string, to: Place): Draft => {
  const [kind, first, second] = key.split(" ");
  const [i, k] = [Number(first), Number(second)];
  const at = { x_m: to.x_m, y_m: to.y_m, z_m: to.z_m };
  const replaced = <T>(list: readonly T[], change: (one: T) => T) =>
    list.map((one, n) => (n === i ? change(one) : one));
  switch (kind) {
    case "own":
      return {
        vehicle,
        seat: { ...seat, marks: replaced(seat.marks, (mark) => ({ ...mark, ...at })) },
      };
    case "mark": {
      const features = replaced(vehicle.features, (mark) => ({ ...mark, ...at, assumed: false }));
      return { seat, vehicle: { ...vehicle, features } };
    }
    case "pane": {
      const glass = replaced(vehicle.glass, (pane) => ({
        ...pane,
        assumed: false,
        polygon_m: pane.polygon_m.map((corner, n): [number, number, number] =>
          n === k ? [at.x_m, at.y_m, at.z_m] : corner,
        ),
      }));
      return { seat, vehicle: { ...vehicle, glass } };
    }
    default: {
      const mirrors = replaced(vehicle.mirrors, (mirror) => ({
        ...mirror,
        centre: at,
        assumed: false,
      }));
      return { seat, vehicle: { ...vehicle, mirrors } };
    }
  }
};

/** Where a part is seen from the side. */
export const fromTheSide = ({ at }: Part): Point => [at.x_m, at.z_m];

/** And from above. */
export const fromAbove = ({ at }: Part): Point => [at.x_m, at.y_m];
