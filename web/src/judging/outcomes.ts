import type { Tape } from "../api/types";
import type { Code } from "../words";

/** What an attempt came to, as a headline. */
export const OUTCOMES: Record<Tape["verdict"]["outcome"], Code> = {
  met: "tape.standard met",
  "met with small faults": "tape.met with small faults",
  "not met": "tape.not met",
  ended: "tape.the test would have ended",
};
