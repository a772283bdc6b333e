/** What is noted of an attempt besides its time: on the way, or put right afterwards. */
import type { Notes, Sheet } from "../../api/types";
import type { Help } from "../../learning/help";

export type Timing = NonNullable<Notes["calls"][number]>;
export type LookDone = NonNullable<Notes["looks"][number]>;
export type Seen = Notes["observed"][number];

export interface Jotted {
  /** Which step is being noted: 0 the first stop, after the last call the last stop, then leaving. */
  card: number;
  calls: (Timing | null)[];
  looks: (LookDone | null)[];
  /** Steps that had to be prompted. */
  prompted: number[];
  /** What was observed, in the order in which it was. */
  observed: Seen[];
  /** When calls and looks were noted, on the clock. */
  callSeconds: (number | null)[];
  lookSeconds: (number | null)[];
  /** What was at hand to be observed. */
  watched: Seen["what"][];
  /** What was measured on the way, by its name, and whether it was so at the end. */
  onTheWay: Notes["on_the_way"];
  atEnd: Notes["at_end"];
  /** How much help there is, the steps as told from memory, and what was said to follow. */
  help: Help | null;
  fromMemory: Notes["from_memory"];
  predicted: Notes["predicted"];
  forward: number;
  reverse: number;
  kerb: number;
  mount: number;
  vehicle: number;
}

/** Something jotted down, and how it changes. `seconds` : the clock, while there is one */
export interface Jotting {
  draft: Jotted;
  change: (part: Partial<Jotted>) => void;
  seconds?: () => number;
}

const asLong = <T>(kept: readonly (T | null)[], count: number): (T | null)[] =>
  Array.from({ length: count }, (_, i) => kept[i] ?? null);

/** Notes of a sheet of so many calls and looks, to be put right. */
export const jotted = (notes: Notes, calls: number, looks: number): Jotted => ({
  card: 0,
  calls: asLong(notes.calls, calls),
  looks: asLong(notes.looks, looks),
  prompted: notes.prompted,
  observed: notes.observed,
  callSeconds: asLong(notes.call_seconds, calls),
  lookSeconds: asLong(notes.look_seconds, looks),
  watched: notes.watched,
  onTheWay: notes.on_the_way,
  atEnd: notes.at_end,
  help: notes.help ?? null,
  fromMemory: notes.from_memory,
  predicted: notes.predicted,
  forward: notes.forward_movements,
  reverse: notes.reverse_movements,
  kerb: notes.kerb_touches,
  mount: notes.kerb_mounts,
  vehicle: notes.vehicle_touches,
});

export const notesOf = (draft: Jotted, seconds: number): Notes => ({
  seconds: Math.round(seconds),
  forward_movements: draft.forward,
  reverse_movements: draft.reverse,
  calls: draft.calls,
  looks: draft.looks,
  prompted: draft.prompted,
  observed: draft.observed,
  call_seconds: draft.callSeconds,
  look_seconds: draft.lookSeconds,
  watched: draft.watched,
  on_the_way: draft.onTheWay,
  at_end: draft.atEnd,
  help: draft.help,
  from_memory: draft.fromMemory,
  predicted: draft.predicted,
  kerb_touches: draft.kerb,
  kerb_mounts: draft.mount,
  vehicle_touches: draft.vehicle,
});

/** Said a second time, it is taken back: not noted. */
const said = <T>(old: T | null | undefined, now: T): T | null => (old === now ? null : now);

const put = <T>(list: readonly T[], at: number, value: T): T[] =>
  list.map((old, i) => (i === at ? value : old));

const clock = ({ seconds }: Jotting): number | null => (seconds ? Math.round(seconds()) : null);

export const noteTiming = (noting: Jotting, card: number, timing: Timing) => {
  const { draft, change } = noting;
  const now = said(draft.calls[card - 1], timing);
  change({
    calls: put(draft.calls, card - 1, now),
    callSeconds: put(draft.callSeconds, card - 1, now && clock(noting)),
    card: now ? Math.min(card + 1, last(draft)) : card,
  });
};

const noteLookAs = (noting: Jotting, index: number, now: LookDone | null) => {
  const { draft, change } = noting;
  change({
    looks: put(draft.looks, index, now),
    lookSeconds: put(draft.lookSeconds, index, now && clock(noting)),
  });
};

export const noteLook = (noting: Jotting, index: number, done: LookDone) =>
  noteLookAs(noting, index, said(noting.draft.looks[index], done));

export const LOOKS: readonly LookDone[] = ["done", "late", "missed", "prompted"];

/** What a look is with one more tap: most are done; the last tap takes it back. */
export const tapLook = (noting: Jotting, index: number) => {
  const old = noting.draft.looks[index];
  noteLookAs(noting, index, LOOKS[old ? LOOKS.indexOf(old) + 1 : 0] ?? null);
};

export const notePrompt = ({ draft, change }: Jotting, step: number) =>
  change({
    prompted: draft.prompted.includes(step)
      ? draft.prompted.filter((one) => one !== step)
      : [...draft.prompted, step].sort((a, b) => a - b),
  });

/** What is counted as well as observed, and how it is called here. */
const COUNTED: Partial<Record<Seen["what"], "kerb" | "mount" | "vehicle">> = {
  "kerb touched": "kerb",
  "kerb mounted": "mount",
  "vehicle touched": "vehicle",
};

export const observe = (noting: Jotting, seen: Omit<Seen, "seconds">) => {
  const { draft, change } = noting;
  const count = COUNTED[seen.what];
  change({
    observed: [...draft.observed, { ...seen, seconds: clock(noting) ?? 0 }],
    ...(count && { [count]: draft[count] + 1 }),
  });
};

/** It was not so. */
export const unobserve = ({ draft, change }: Jotting, index: number) => {
  const seen = draft.observed[index];
  const count = seen && COUNTED[seen.what];
  change({
    observed: draft.observed.filter((_, i) => i !== index),
    ...(count && { [count]: Math.max(0, draft[count] - 1) }),
  });
};

/** One less of a count: the last of what was observed of it goes with it. */
export const oneLess = (
  noting: Jotting,
  name: "forward" | "reverse" | "kerb" | "mount" | "vehicle",
) => {
  const { draft, change } = noting;
  const index = draft.observed.findLastIndex(({ what }) => COUNTED[what] === name);
  const held = draft.observed.filter(({ what }) => COUNTED[what] === name).length;
  if (index >= 0 && draft[name] <= held) unobserve(noting, index);
  else change({ [name]: draft[name] - 1 });
};

/** The cards: the first stop, a card for each call, the last stop, and leaving. */
export const lastStop = (draft: Jotted): number => draft.calls.length + 1;
export const last = (draft: Jotted): number => lastStop(draft) + 1;

/** The step of the sheet that a card is: leaving is of the last stop. */
export const stepOf = (draft: Jotted, card: number): number => Math.min(card, lastStop(draft));

/** Which looks of the sheet a card has: those before one drives on belong to leaving. */
export const looksOf = (sheet: Sheet, draft: Jotted, card = draft.card): number[] => {
  const step = card === lastStop(draft) ? null : stepOf(draft, card);
  return sheet.plan.looks.flatMap((look, i) => (look.step === step ? [i] : []));
};

export const phaseOf = (draft: Jotted, card: number, begun: boolean): Seen["phase"] => {
  if (!begun) return "approach";
  if (card === 0) return "start";
  if (card < lastStop(draft)) return "execution";
  return card === lastStop(draft) ? "finish" : "leaving";
};
