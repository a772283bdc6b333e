import "fake-indexeddb/auto";
import { beforeEach, expect, it } from "vitest";
import { NotNow, put, type Sent, sendAll, waiting } from "./outbox";
import { openStore, type Store, type Unsent } from "./store";

const ME = 7;
let db: Store;
let named = 0;

beforeEach(async () => {
  named += 1;
  db = await openStore(`test ${named}`);
});

const noted = (about: string, number: number, more: object = {}): Unsent => ({
  person: ME,
  by: "any",
  at: "2026-05-05T10:00:00Z",
  what: "attempt",
  of: "any",
  about,
  method: "post",
  path: "/api/attempts",
  params: {},
  body: { number },
  refused: null,
  left: false,
  ...more,
});

/** A server that hears everything, and answers as it is told to. */
const server = (answers: (number: number) => Sent | null) => {
  const heard: number[] = [];
  const send = async ({ body }: Unsent): Promise<Sent> => {
    heard.push(Number(body.number));
    const answer = answers(Number(body.number));
    if (!answer) throw new NotNow();
    return answer;
  };
  return { heard, send };
};

const nobody = () => undefined;
const left = async (person = ME) => (await waiting(db, person)).map(({ body }) => body.number);
const putAll = async (...all: Unsent[]) => {
  for (const one of all) await put(db, one);
};

it("sends in the order noted, each once, and nothing of anybody else's", async () => {
  await putAll(noted("a", 1), noted("b", 2), noted("a", 3), noted("c", 4, { person: 8 }));
  const { heard, send } = server(() => ({ answer: null }));
  await sendAll(db, ME, send, nobody);
  await sendAll(db, ME, send, nobody);
  expect(heard).toEqual([1, 2, 3]);
  expect(await left(8)).toEqual([4]);
});

it("keeps what got no answer, and begins with it again", async () => {
  await putAll(noted("a", 1), noted("a", 2), noted("a", 3));
  let lines = 1;
  const { heard, send } = server(() => (lines-- > 0 ? { answer: null } : null));
  await sendAll(db, ME, send, nobody);
  expect(await left()).toEqual([2, 3]);
  lines = 9;
  await sendAll(db, ME, send, nobody);
  expect(heard).toEqual([1, 2, 2, 3]);
  expect(await left()).toEqual([]);
});

it("keeps what was refused with why, holds what is about the same, and sends the rest", async () => {
  await putAll(noted("a", 1), noted("a", 2), noted("b", 3), noted("c", 4, { left: true }));
  const { heard, send } = server((number) =>
    number === 1 ? { refused: new Error("no") } : { answer: null },
  );
  await sendAll(db, ME, send, nobody);
  await sendAll(db, ME, send, nobody);
  expect(heard).toEqual([1, 3]);
  const there = await waiting(db, ME);
  expect(there.map(({ body, refused }) => [body.number, refused])).toEqual([
    [1, "no"],
    [2, null],
    [4, null],
  ]);
});

it("tells of an answer while it is still here, so that nothing vanishes in between", async () => {
  await putAll(noted("a", 1));
  let there: Promise<unknown[]> | undefined;
  await sendAll(db, ME, server(() => ({ answer: null })).send, () => {
    there = left();
  });
  expect(await there).toEqual([1]);
  expect(await left()).toEqual([]);
});

it.each([
  ["goes on from what its own made of it", 8, 8],
  ["stays on what was seen where somebody else came between", 9, 7],
])("a change %s", async (_, version, based_on) => {
  const on = (about: string, number: number) =>
    noted(about, number, { body: { number, based_on: 7 } });
  await putAll(on("a", 1), on("b", 2), on("a", 3));
  const { send } = server((number) => (number === 1 ? { answer: { version } } : null));
  await sendAll(db, ME, send, nobody);
  const there = await waiting(db, ME);
  expect(there.map(({ body }) => [body.number, body.based_on])).toEqual([
    [2, 7],
    [3, based_on],
  ]);
});

it("what a lesson begun here was changed to follows it under the number it was given", async () => {
  const change = (number: number) =>
    noted("lesson of now", number, { params: { lesson_id: -1 }, body: { number, based_on: 0 } });
  await putAll(noted("lesson of now", 1, { what: "lesson begun" }), change(2), change(3));
  const sent: unknown[] = [];
  await sendAll(
    db,
    ME,
    async ({ params, body }) => {
      sent.push([params.lesson_id, body.based_on]);
      return { answer: { id: 40, version: sent.length } };
    },
    nobody,
  );
  expect(sent).toEqual([
    [undefined, undefined],
    [40, 1],
    [40, 2],
  ]);
});
