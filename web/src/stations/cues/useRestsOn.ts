/** Reservations about all cues of a docket: an estimated eye, an unchecked place, a seat of another. */
import type { Docket } from "../../api/types";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { t } from "../../words";

/** Warning that the seat is not the learner's own; empty if it is. */
export const seatOfAnother = ({ sits_here, learner, vehicle, seat, seat_of }: Docket): string =>
  sits_here
    ? ""
    : t("measure.no measured seat", {
        name: learner.name,
        vehicle: vehicle.name,
        seat: seat_of ? t("measure.seat of", { seat: seat.name, name: seat_of }) : seat.name,
      });

export const useRestsOn = ({ seat, ground }: Docket): string[] => {
  const units = useUnits();
  const { eye_by, uncertain_m } = seat.body;
  const off = length(Math.max(...Object.values(uncertain_m)), units);
  const eye = t("cues.eye rests", {
    how: t(`measure.eye by ${eye_by}`),
    off: t("measure.known to", { off }),
  });
  return [
    ...(eye_by === "tape" ? [] : [eye]),
    ...(ground.body.check.legal === null ? [t("cues.place not checked")] : []),
  ];
};
