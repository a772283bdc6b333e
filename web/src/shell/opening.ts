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

/** Resolves once somebody's first screen can be drawn whole, or after a moment without it. */
export const prepare = (client: QueryClient, session: Session): Promise<unknown> =>
  atMost(fetched(client, session));

/** The same for whoever is signed in when the application is opened. */
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

// What goes wrong is told by the screen that asks for it again.
const atMost = (work: Promise<unknown>): Promise<unknown> =>
  Promise.race([
    work.catch(() => undefined),
    new Promise((resolve) => setTimeout(resolve, PATIENCE)),
  ]);
