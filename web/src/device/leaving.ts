/** Signing out, with a line or without: what was fetched is gone at once, the session as soon as it
 *  can be told. */

import { ask } from "../api/client";
import { forgetFetched } from "./fetched";
import { forgetKept, keep } from "./kept";

const PATIENCE = 5_000;
const LEAVING = "fair-corner/leaving";

/** Ends the session that somebody has left, if it is still to be. Rejects where there is no line. */
export const endTheSession = async (): Promise<void> => {
  if (localStorage.getItem(LEAVING) === null) return;
  await ask.delete("/api/session", { signal: AbortSignal.timeout(PATIENCE) });
  forgetKept(LEAVING);
};

export const signOut = async (): Promise<void> => {
  keep(LEAVING, "true");
  await forgetFetched().catch(() => undefined);
  // Without a line it is ended before anything else is asked for.
  await endTheSession().catch(() => undefined);
};

/** Somebody has come in: what was to be ended has been. */
export const hasComeIn = (): void => forgetKept(LEAVING);
