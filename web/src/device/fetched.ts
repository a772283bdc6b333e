/** What was fetched stays on the device, each person's apart: what the screens show without a line. */

import { dehydrate, hydrate, type Query, type QueryClient } from "@tanstack/react-query";
import { forgetKept, keep } from "./kept";
import { type Fetched, type Store, store } from "./store";

/** What a day of lessons needs, by the first word of its key; some plans besides, by their time. */
const NEEDED = [
  "session",
  "vocabulary",
  "docket",
  "sheet",
  "attempts",
  "sets",
  "people",
  "documents",
  "lessons",
  "the day",
];
/** As long as it is kept: whatever is to stay in memory for so long stays on the device, too. */
export const A_WEEK = 7 * 24 * 60 * 60_000;

const isNeeded = (query: Query): boolean =>
  query.state.status === "success" && query.gcTime >= A_WEEK;

/** Whose things this device shows when there is nobody to ask. */
const LAST = "fair-corner/last";

export const lastHere = (): number | null => Number(localStorage.getItem(LAST)) || null;

const fetchedIn = (client: QueryClient, person: number, query?: Query): Fetched[] =>
  dehydrate(client, {
    shouldDehydrateQuery: (one) => (query === undefined || one === query) && isNeeded(one),
  }).queries.map((one) => ({ person, hash: one.queryHash, made: __SHAPES__, query: one }));

const put = async (db: Store, those: Fetched[]): Promise<void> => {
  const write = db.transaction("fetched", "readwrite");
  await Promise.all([...those.map((one) => write.store.put(one)), write.done]);
};

/** From now on what a person fetches is kept, and nobody else's fetched is any longer. */
export const keepFetched = async (client: QueryClient, person: number): Promise<() => void> => {
  const db = await store();
  keep(LAST, String(person));
  await forget(db, (one) => one.person !== person);
  // Before what is there already is written: what comes meanwhile would be missed.
  const stop = client.getQueryCache().subscribe((event) => {
    if (event.type === "updated" && event.action.type === "success")
      // A device without room for it shows it still, as long as it is open.
      put(db, fetchedIn(client, person, event.query)).catch(() => undefined);
  });
  await put(db, fetchedIn(client, person)).catch(() => undefined);
  return stop;
};

const forget = async (db: Store, meant: (one: Fetched) => boolean): Promise<void> => {
  const write = db.transaction("fetched", "readwrite");
  for (let at = await write.store.openCursor(); at; at = await at.continue())
    if (meant(at.value)) await at.delete();
  await write.done;
};

/** What whoever was here last had fetched is there again: of a week, and of these very shapes. */
export const restoreFetched = async (client: QueryClient): Promise<void> => {
  for (const needed of NEEDED) client.setQueryDefaults([needed], { gcTime: A_WEEK });
  const person = lastHere();
  if (person === null) return;
  const db = await store();
  const since = Date.now() - A_WEEK;
  const isOld = ({ made, query }: Fetched) =>
    made !== __SHAPES__ || query.state.dataUpdatedAt < since;
  await forget(db, isOld);
  const queries = await db.getAllFromIndex("fetched", "person", person);
  hydrate(
    client,
    { mutations: [], queries: queries.map((one) => one.query) },
    { defaultOptions: { queries: { gcTime: A_WEEK } } },
  );
};

/** Signed out: nothing that was fetched is left to be shown. */
export const forgetFetched = async (): Promise<void> => {
  forgetKept(LAST);
  await forget(await store(), () => true);
};
