/** What a tap in Drive notes, and what takes it back. */
import { expect, it } from "vitest";
import type { Notes } from "../../api/types";
import {
  type Jotted,
  type Jotting,
  jotted,
  last,
  notePrompt,
  notesOf,
  noteTiming,
  observe,
  oneLess,
  phaseOf,
  stepOf,
  tapLook,
  unobserve,
} from "./jotted";

const NOTHING: Notes = {
  seconds: 0,
  forward_movements: 0,
  reverse_movements: 1,
  calls: [],
  looks: [],
  prompted: [],
  observed: [],
  call_seconds: [],
  look_seconds: [],
  watched: [],
  on_the_way: {},
  at_end: {},
  help: null,
  from_memory: [],
  predicted: [],
  kerb_touches: 0,
  kerb_mounts: 0,
  vehicle_touches: 0,
};

/** Two calls and two looks, the clock at 7.4 s. */
const noting = () => {
  const held: Jotting = {
    draft: jotted(NOTHING, 2, 2),
    change: (part: Partial<Jotted>) => {
      held.draft = { ...held.draft, ...part };
    },
    seconds: () => 7.4,
  };
  return held;
};

it("notes when a call came and goes on, and takes both back when it is said again", () => {
  const held = noting();
  noteTiming(held, 2, "late");
  expect([held.draft.calls, held.draft.callSeconds, held.draft.card]).toEqual([
    [null, "late"],
    [null, 7],
    3,
  ]);
  noteTiming(held, 2, "late");
  expect([held.draft.calls, held.draft.callSeconds]).toEqual([
    [null, null],
    [null, null],
  ]);
});

it("turns a look from not noted through all it can be, and back to not noted", () => {
  const held = noting();
  const seen = Array.from({ length: 5 }, () => {
    tapLook(held, 1);
    return [held.draft.looks[1], held.draft.lookSeconds[1]];
  });
  expect(seen).toEqual([
    ["done", 7],
    ["late", 7],
    ["missed", 7],
    ["prompted", 7],
    [null, null],
  ]);
  expect(held.draft.looks[0]).toBeNull();
});

it("counts what is both observed and counted, one way and the other", () => {
  const held = noting();
  const seen = { phase: "execution", step: 1 } as const;
  observe(held, { what: "kerb touched", ...seen });
  observe(held, { what: "too fast", ...seen });
  observe(held, { what: "kerb touched", ...seen });
  expect([held.draft.kerb, held.draft.mount, held.draft.vehicle]).toEqual([2, 0, 0]);
  // One more was counted afterwards, and never observed: it goes first.
  held.change({ kerb: 3 });
  oneLess(held, "kerb");
  expect([held.draft.kerb, held.draft.observed.length]).toEqual([2, 3]);
  oneLess(held, "kerb");
  expect([held.draft.kerb, held.draft.observed.map(({ what }) => what)]).toEqual([
    1,
    ["kerb touched", "too fast"],
  ]);
  unobserve(held, 0);
  expect([held.draft.kerb, notesOf(held.draft, 61.6)]).toEqual([
    0,
    {
      ...NOTHING,
      seconds: 62,
      calls: [null, null],
      looks: [null, null],
      call_seconds: [null, null],
      look_seconds: [null, null],
      observed: [{ what: "too fast", ...seen, seconds: 7 }],
    },
  ]);
});

it("takes a prompt back when it is said again", () => {
  const held = noting();
  for (const step of [2, 0, 2, 1]) notePrompt(held, step);
  expect(held.draft.prompted).toEqual([0, 1]);
});

it("tells the phase by the card, and all before the clock is the approach", () => {
  const { draft } = noting();
  const cards = Array.from({ length: last(draft) + 1 }, (_, card) => card);
  expect(cards.map((card) => phaseOf(draft, card, true))).toEqual([
    "start",
    "execution",
    "execution",
    "finish",
    "leaving",
  ]);
  expect(phaseOf(draft, 0, false)).toBe("approach");
  expect(cards.map((card) => stepOf(draft, card))).toEqual([0, 1, 2, 3, 3]);
});
