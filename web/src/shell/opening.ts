/** What the first screen needs, fetched together before it is drawn. */
import type { QueryClient } from "@tanstack/react-query";
import { docketQuery, sessionQuery } from "../api/queries";
import type { Session } from "../api/types";
import { unsentQuery } from "../device/useUnsent";
import { firstScreen, SCREENS } from "./screens";
import { docketIds } from "./useDocket";
import { wordsQuery } from "./useLanguage";

/** Longer than this nothing is held back, ms: a page that shows that it loads is better than none. */
const PATIENCE = 400;

/** Resolves once the first screen can be drawn whole, or when PATIENCE has run out. */
export const prepare = (client: QueryClient, session: Session): Promise<unknown> =>
  atMost(fetched(client, session));

/** The same when the application is opened, for the person who is signed in. */
export const open = (client: QueryClient): Promise<unknown> =>
  atMost(client.ensureQueryData(sessionQuery).then((session) => fetched(client, session)));

const fetched = (client: QueryClient, session: Session): Promise<unknown> => {
  const { pathname, search } = window.location;
  const { person, school } = session;
  if (!person || !school) return client.ensureQueryData(wordsQuery(session));
  const screen = SCREENS[pathname] ?? SCREENS[firstScreen(person.role)];
  const docket = docketQuery(docketIds(school.id, new URLSearchParams(search)));
  return Promise.all([
    client.ensureQueryData(wordsQuery(session)),
    client.ensureQueryData(docket),
    client.ensureQueryData(unsentQuery(person.id)),
    screen?.preload(),
  ]);
};

// An error is shown by the screen, which asks again.
const atMost = (work: Promise<unknown>): Promise<unknown> =>
  Promise.race([
    work.catch(() => undefined),
    new Promise((resolve) => setTimeout(resolve, PATIENCE)),
  ]);
