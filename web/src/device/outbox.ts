/** The way out: what was noted is on the device before anybody goes on, and leaves it only once the
 *  server has said that it has it. Sent again after a lost answer it is known by what it says. */

import type { Store, Unsent } from "./store";

/** Sends one; rejects where no answer came, or one that may be another in a while. */
export type Send = (one: Unsent) => Promise<Sent>;
/** What came back: the server has it, or would not have it. */
export type Sent = { answer: unknown } | { refused: Error };

/** Whoever hears of an answer, while what was answered is still here. */
export type Told = (one: Unsent, sent: Sent) => Promise<void> | void;

/** No answer: the line, the server, or the session. What waits goes on waiting. */
export class NotNow extends Error {}

export const put = async (db: Store, one: Unsent): Promise<number> => {
  // Written through before it is told: a device may die at any moment.
  const write = db.transaction("unsent", "readwrite", { durability: "strict" });
  const seq = await write.store.add(one);
  await write.done;
  return seq;
};

/** What of a person's is here, in the order noted. */
export const waiting = async (db: Store, person: number): Promise<Unsent[]> =>
  await db.getAllFromIndex("unsent", "person", person);

export const drop = (db: Store, seq: number): Promise<void> => db.delete("unsent", seq);

/** What the server would not have: to go out again, or left here for good. */
export const change = async (db: Store, one: Unsent): Promise<void> => {
  await db.put("unsent", one);
};

/** Send a person's in the order noted, until all is sent or no answer comes.
 *
 *  What the server would not have stays, and what is about the same after it: that was noted as if
 *  it had it. told : of each that was answered, before it leaves
 */
export const sendAll = async (db: Store, person: number, send: Send, told: Told): Promise<void> => {
  const held = new Set<string>();
  for (const { seq } of await waiting(db, person)) {
    // As it is by now: what was answered before it may have said on what it is based.
    const one = seq === undefined ? undefined : await db.get("unsent", seq);
    if (one === undefined || one.left) continue;
    if (one.refused !== null) held.add(one.about);
    if (held.has(one.about)) continue;
    let sent: Sent;
    try {
      sent = await send(one);
    } catch (error) {
      if (error instanceof NotNow) return;
      throw error;
    }
    await told(one, sent);
    if ("refused" in sent) {
      held.add(one.about);
      await db.put("unsent", { ...one, refused: sent.refused.message });
    } else await leave(db, one, sent.answer);
  }
};

/** It leaves, and what is about the same after it is based on what the server made of it. */
const leave = async (db: Store, gone: Unsent, answer: unknown): Promise<void> => {
  const write = db.transaction("unsent", "readwrite", { durability: "strict" });
  if (gone.seq !== undefined) await write.store.delete(gone.seq);
  for (const one of await write.store.index("person").getAll(gone.person)) {
    const now = one.about === gone.about ? basedOn(gone, answer, one) : null;
    if (now) await write.store.put(now);
  }
  await write.done;
};

/** What was noted after it, once the server has it; null where that makes no difference. */
const basedOn = (gone: Unsent, answer: unknown, next: Unsent): Unsent | null => {
  const { id = 0, version } = (answer ?? {}) as { id?: number; version?: number };
  // Until now nobody knew what the server would call the lesson, or had seen it otherwise.
  if (gone.what === "lesson begun")
    return { ...next, params: { lesson_id: id }, body: { ...next.body, based_on: 1 } };
  const { based_on } = gone.body;
  // Where somebody else came between, what follows stays based on what was seen when it was noted.
  if (version === undefined || version !== Number(based_on) + 1) return null;
  if (next.body.based_on !== based_on) return null;
  return { ...next, body: { ...next.body, based_on: version } };
};
