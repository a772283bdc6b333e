import type { MockTest } from "../api/types";

/** The test that is being driven: the newest, while it is neither decided nor given up. */
export const underWay = (tests: readonly MockTest[]): MockTest | null => {
  const [newest] = tests;
  return newest && newest.outcome === null && newest.given_up === null ? newest : null;
};

/** Which exercise comes next: the first that counts and was not driven; null when all were. */
export const nextOf = ({ exercises }: MockTest): number | null => {
  const next = exercises.findIndex((one) => !one.cancelled && one.attempt_id === null);
  return next < 0 ? null : next;
};

/** The number by which an exercise is called: those that were cancelled have none. */
export const numberOf = ({ exercises }: MockTest, index: number): number =>
  exercises.slice(0, index + 1).filter(({ cancelled }) => !cancelled).length;
