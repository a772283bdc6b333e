/** The keyboard in Drive: space for the clock, arrows for timing and steps, letters for the rest. */
import type { Sheet } from "../../api/types";
import { useKeys } from "../../shell/keys";
import {
  type LookDone,
  last,
  lastStop,
  looksOf,
  noteLook,
  notePrompt,
  noteTiming,
  stepOf,
  type Timing,
} from "./jotted";
import { secondsOf, type useAttemptDraft } from "./useAttemptDraft";

const TIMINGS: Record<string, Timing> = { ArrowLeft: "early", ArrowDown: "on", ArrowRight: "late" };
const LOOKS: Record<string, LookDone> = { d: "done", l: "late", m: "missed", p: "prompted" };

export type Noting = ReturnType<typeof useAttemptDraft>;

export const toggleClock = ({ draft, change }: Noting) => {
  if (draft.runningSince === null) {
    change({
      runningSince: Date.now(),
      started: draft.started ?? new Date().toISOString(),
    });
  } else {
    change({ banked: secondsOf(draft, Date.now()), runningSince: null });
  }
};

export const useDriveKeys = (sheet: Sheet, noting: Noting) =>
  useKeys((key) => {
    const { draft, change, undo } = noting;
    const { card } = draft;
    const look = looksOf(sheet, draft)[0] ?? -1;
    const timing = TIMINGS[key];
    const done = LOOKS[key.toLowerCase()];
    if (key === " ") toggleClock(noting);
    else if (timing && card > 0 && card < lastStop(draft)) noteTiming(noting, card, timing);
    else if (key === "ArrowDown" && card === 0) change({ card: 1 });
    else if (key === "PageDown" && card < last(draft)) change({ card: card + 1 });
    else if (key === "PageUp" && card > 0) change({ card: card - 1 });
    else if (done && look >= 0) noteLook(noting, look, done);
    else if (key === "h") notePrompt(noting, stepOf(draft, card));
    else if (key === "u" && undo) undo();
    else return false;
    return true;
  });
