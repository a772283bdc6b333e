/** What somebody types stays here through whatever happens to the browser.
 *
 *  It is read from the browser's small storage, which answers at once but writes to the disk up to a
 *  minute later; so the same is written to the database, and put back from there when it is opened.
 */

import { store } from "./store";

export const ROOT = "fair-corner/";

/** Where a person's own things are kept on this machine. */
export const mine = (person: number, key: string): string => `${ROOT}of/${person}/${key}`;

/** For how long it is known that something is gone, ms: by then both say so. */
const A_DAY = 24 * 60 * 60_000;

/** When something was last written to the small storage. */
const stamp = (key: string) => `fair-corner/at/${key}`;

const write = async (key: string, text: string | null): Promise<void> => {
  const at = Date.now();
  if (text === null) localStorage.removeItem(key);
  else localStorage.setItem(key, text);
  localStorage.setItem(stamp(key), String(at));
  const db = await store();
  const one = db.transaction("kept", "readwrite", { durability: "strict" });
  await one.store.put({ key, text, at });
  await one.done;
};

// A browser that has no database still has the other.
export const keep = (key: string, text: string): void => {
  write(key, text).catch(() => undefined);
};

export const forgetKept = (key: string): void => {
  write(key, null).catch(() => undefined);
};

/** What is kept under one key is from now on kept under another. */
export const rekey = (from: string, to: string): void => {
  const text = localStorage.getItem(from);
  if (text === null) return;
  keep(to, text);
  forgetKept(from);
};

/** Both have known for long that it is gone. */
const tidy = async (key: string): Promise<void> => {
  localStorage.removeItem(stamp(key));
  await (await store()).delete("kept", key);
};

/** Everything as it was last typed, before anything is drawn: a page that was left may have told the
 *  one only, a browser that was killed the other.
 */
export const restoreKept = async (): Promise<void> => {
  const db = await store();
  for (const { key, text, at } of await db.getAll("kept")) {
    if (at <= Number(localStorage.getItem(stamp(key)))) {
      if (text === null && at < Date.now() - A_DAY) await tidy(key);
      continue;
    }
    if (text !== null) localStorage.setItem(key, text);
    else localStorage.removeItem(key);
    localStorage.setItem(stamp(key), String(at));
  }
};
