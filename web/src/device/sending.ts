/** Sending what waits on this device: one tab at a time, as soon as there is a line. */

import { onlineManager } from "@tanstack/react-query";
import { askForThePassword } from "../api/cache";
import { ApiError, ask } from "../api/client";
import { lineIsLost } from "../api/line";
import { t } from "../words";
import { drop, NotNow, put, type Send, type Sent, sendAll, type Told } from "./outbox";
import { store, type Unsent } from "./store";

/** A line that has not answered by then is none, ms. */
const PATIENCE = 15_000;
/** Answers that may be others in a while: signed out, too many at once, the server's own trouble. */
const LATER = (status: number) => status === 0 || status === 401 || status === 429 || status >= 500;

const send: Send = async ({ person, method, path, params, body }) => {
  const init = {
    params: { path: params },
    body,
    // Whoever has signed in here since does not send another's things as their own.
    headers: { "X-Person": String(person) },
    signal: AbortSignal.timeout(PATIENCE),
  };
  try {
    // What stands in the box was put there by its own path's hook, which knows its types.
    const request = ask[method] as (path: never, init: never) => Promise<unknown>;
    return { answer: await request(path as never, init as never) };
  } catch (error) {
    if (error instanceof ApiError && !LATER(error.status)) return { refused: error };
    if (!(error instanceof ApiError)) lineIsLost();
    else if (error.status === 401) askForThePassword(error);
    throw new NotNow();
  }
};

/** Who is to hear of it when something of a person's has been put in or has left. */
const changed = new BroadcastChannel("fair-corner/unsent");

export const onChange = (heard: () => void): (() => void) => {
  changed.addEventListener("message", heard);
  return () => changed.removeEventListener("message", heard);
};

/** The channel tells other tabs only; this one hears it by the same way. */
export const tell = () => {
  changed.postMessage(null);
  changed.dispatchEvent(new MessageEvent("message"));
};

/** Send all that a person has waiting here; told : of each that was answered. */
export const sendWaiting = async (person: number, told: Told): Promise<void> => {
  if (!onlineManager.isOnline()) return;
  const db = await store();
  await navigator.locks.request(`fair-corner/unsent/${person}`, () =>
    sendAll(db, person, send, told),
  );
  tell();
};

/** Where a browser keeps nothing it is sent at once, or not at all. */
const straight = async (one: Unsent, told: Told): Promise<unknown> => {
  const sent = await send(one).catch(() => {
    throw new ApiError(0, "", t("api.no connection"), "");
  });
  await told(one, sent);
  if ("refused" in sent) throw sent.refused;
  return sent.answer;
};

/** Put on the way: answered at once where there is a line, else kept, which answers null.
 *
 *  Throws what the server would not have: whoever noted it is still there to put it right.
 */
export const note = async (one: Unsent, told: Told): Promise<unknown> => {
  const db = await store().catch(() => null);
  if (db === null) return await straight(one, told);
  const seq = await put(db, one);
  let mine: Sent | null = null;
  await sendWaiting(one.person, (other, sent) => {
    if (other.seq === seq) mine = sent;
    return told(other, sent);
  });
  const came = mine as Sent | null;
  if (came && "refused" in came) await drop(db, seq);
  // Told only now: what is answered at once has waited for nothing.
  tell();
  if (came === null) return null;
  if ("refused" in came) throw came.refused;
  return came.answer;
};
