/** The attempt being noted: kept on this machine until it is done, and then sent once. */
import { useMutation } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Sheet } from "../../api/types";
import { useNoting } from "../../device/useUnsent";
import { useMockExercise } from "../../mock/useMockExercise";
import { useStored } from "../../shell/useStored";
import { type Jotted, notesOf } from "./jotted";
import { useAtHand } from "./useAtHand";

/** What comes after an attempt: its tape, or another exercise. */
export type Then = { pathname: string; search: string };

export interface Draft extends Jotted {
  id: string;
  /** Whose it is; what was begun before this was kept is found by its sheet alone. */
  learner?: number;
  started: string | null;
  /** Seconds before the clock was last started, and when that was. */
  banked: number;
  runningSince: number | null;
  /** What starts the clock where a rule does, once both are so. */
  indicator: boolean;
  gear: boolean;
}

/** How many movements the sheet itself has in a gear: what is noted is what comes on top. */
const movements = (sheet: Sheet, gear: "forward" | "reverse"): number =>
  sheet.plan.legs.filter((leg, i, legs) => leg.gear === gear && legs[i - 1]?.gear !== gear).length;

const blank = (sheet: Sheet): Draft => ({
  id: crypto.randomUUID(),
  learner: sheet.learner_id,
  started: null,
  banked: 0,
  runningSince: null,
  card: 0,
  calls: sheet.plan.calls.map(() => null),
  looks: sheet.plan.looks.map(() => null),
  indicator: false,
  gear: false,
  prompted: [],
  observed: [],
  watched: [],
  onTheWay: {},
  atEnd: {},
  help: null,
  fromMemory: [],
  predicted: [],
  callSeconds: sheet.plan.calls.map(() => null),
  lookSeconds: sheet.plan.looks.map(() => null),
  forward: movements(sheet, "forward"),
  reverse: movements(sheet, "reverse"),
  kerb: 0,
  mount: 0,
  vehicle: 0,
});

export const secondsOf = (draft: Draft, now: number): number =>
  draft.banked + (draft.runningSince === null ? 0 : (now - draft.runningSince) / 1000);

/** learner : whose it is, by name; onKept : where to go on, once it is on its way */
export const useAttemptDraft = (sheet: Sheet, learner: string, onKept: (then: Then) => void) => {
  const [stored, setStored, forget] = useStored<Draft | null>(`attempt/${sheet.id}`, null);
  const [fresh, setFresh] = useState(() => blank(sheet));
  // Kept as well: undo reaches back over a reload and over starting over.
  const [past, setPast, forgetPast] = useStored<Draft[]>(`undo/attempt/${sheet.id}`, []);
  // What was begun before more could be noted goes on with nothing noted of that.
  const draft = stored ? { ...fresh, ...stored } : fresh;
  const noting = useNoting();
  const watched = useAtHand(sheet);
  const exercise = useMockExercise(sheet);
  const help = exercise ? "mock test" : draft.help;
  const change = (part: Partial<Draft>) => {
    setPast([...past.slice(-40), draft]);
    setStored({ ...draft, ...part });
  };
  const undo = () => {
    const last = past.at(-1);
    if (!last) return;
    setPast(past.slice(0, -1));
    setStored(last);
  };
  const again = () => {
    if (draft.started) setPast([...past.slice(-40), draft]);
    forget();
    setFresh(blank(sheet));
  };
  const done = () => {
    forget();
    forgetPast();
    setFresh(blank(sheet));
  };
  const keep = useMutation({
    mutationFn: (_then: Then) => {
      // Sent a second time, because no answer came, it must be the same attempt: the clock stops.
      const done = {
        ...draft,
        watched,
        help,
        banked: secondsOf(draft, Date.now()),
        runningSince: null,
      };
      setStored(done);
      return noting({
        what: "attempt",
        of: `${learner} · ${sheet.method.name}`,
        about: `attempt ${done.id}`,
        method: "post",
        path: "/api/attempts",
        params: {},
        body: {
          id: done.id,
          sheet: sheet.id,
          started: done.started ?? new Date().toISOString(),
          notes: notesOf(done, done.banked),
        },
      });
    },
    onSuccess: (_answer, then) => {
      done();
      onKept(then);
    },
  });
  const seconds = () => secondsOf(draft, Date.now());
  return { draft, change, seconds, undo: past.length ? undo : null, again, keep };
};

/** The time now, ticking while the clock runs. */
export const useNow = (ticking: boolean): number => {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    if (!ticking) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [ticking]);
  return ticking ? Math.max(now, Date.now()) : now;
};
