/** What is noted of an attempt besides its time: on the way, or put right afterwards. */
import type { Notes } from "../../api/types";

export type Timing = NonNullable<Notes["calls"][number]>;
export type LookDone = NonNullable<Notes["looks"][number]>;

export interface Jotted {
  /** Which step is being noted. */
  card: number;
  calls: (Timing | null)[];
  looks: (LookDone | null)[];
  forward: number;
  reverse: number;
  kerb: number;
  mount: number;
  vehicle: number;
}

/** Something jotted down, and how it changes. */
export interface Jotting {
  draft: Jotted;
  change: (part: Partial<Jotted>) => void;
}

/** Notes of a sheet of so many calls and looks, to be put right. */
export const jotted = (notes: Notes, calls: number, looks: number): Jotted => ({
  card: 0,
  calls: Array.from({ length: calls }, (_, i) => notes.calls[i] ?? null),
  looks: Array.from({ length: looks }, (_, i) => notes.looks[i] ?? null),
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
  kerb_touches: draft.kerb,
  kerb_mounts: draft.mount,
  vehicle_touches: draft.vehicle,
});

/** Said a second time, it is taken back: not noted. */
const said = <T>(old: T | null | undefined, now: T): T | null => (old === now ? null : now);

export const noteTiming = ({ draft, change }: Jotting, card: number, timing: Timing) => {
  const now = said(draft.calls[card - 1], timing);
  const calls = draft.calls.map((old, i) => (i === card - 1 ? now : old));
  change({ calls, card: now ? Math.min(card + 1, draft.calls.length) : card });
};

export const noteLook = ({ draft, change }: Jotting, index: number, done: LookDone) =>
  change({ looks: draft.looks.map((old, i) => (i === index ? said(old, done) : old)) });
