/** The keyboard in Drive: space for the clock, arrows for timing, letters for looks. */
import type { Sheet } from "../../api/types";
import { useKeys } from "../../shell/keys";
import { type LookDone, noteLook, noteTiming, type Timing } from "./jotted";
import { secondsOf, type useAttemptDraft } from "./useAttemptDraft";

const TIMINGS: Record<string, Timing> = { ArrowLeft: "early", ArrowDown: "on", ArrowRight: "late" };
const LOOKS: Record<string, LookDone> = { d: "done", l: "late", m: "missed", p: "prompted" };

export const toggleClock = ({ draft, change }: ReturnType<typeof useAttemptDraft>) => {
  if (draft.runningSince === null) {
    change({
      runningSince: Date.now(),
      started: draft.started ?? new Date().toISOString(),
    });
  } else {
    change({ banked: secondsOf(draft, Date.now()), runningSince: null });
  }
};

export const useDriveKeys = (sheet: Sheet, noting: ReturnType<typeof useAttemptDraft>) =>
  useKeys((key) => {
    const { card } = noting.draft;
    const look = sheet.plan.looks.findIndex((l) => l.step === card);
    const timing = TIMINGS[key];
    const done = LOOKS[key.toLowerCase()];
    if (key === " ") toggleClock(noting);
    else if (timing && card > 0) noteTiming(noting, card, timing);
    else if (key === "ArrowDown") noting.change({ card: 1 });
    else if (done && look >= 0) noteLook(noting, look, done);
    else return false;
    return true;
  });
