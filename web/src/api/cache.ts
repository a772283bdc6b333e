/** What is asked and kept of the server's answers; a session that ended shows the door in place. */
import { MutationCache, QueryCache, QueryClient } from "@tanstack/react-query";
import { ApiError } from "./client";
import { endedQuery, sessionQuery } from "./queries";

/** Signed out elsewhere or too long ago: what was typed stays, and so does the address. */
export const askForThePassword = (error: Error) => {
  const person = client.getQueryData(sessionQuery.queryKey)?.person;
  if (!(error instanceof ApiError && error.status === 401 && person)) return;
  client.setQueryData(endedQuery.queryKey, person.id);
  client.setQueryData(sessionQuery.queryKey, { person: null, school: null });
};

/** How often more it is asked after which answer: none, too much at once, away for a moment. */
const AGAIN: Record<number, number> = { 0: 2, 429: 6, 503: 3 };

export const client = new QueryClient({
  queryCache: new QueryCache({ onError: askForThePassword }),
  mutationCache: new MutationCache({ onError: askForThePassword }),
  defaultOptions: {
    queries: {
      // Asking again helps when the line failed, not when the server has said no.
      retry: (count, error) => count < (error instanceof ApiError ? (AGAIN[error.status] ?? 0) : 2),
      staleTime: 15_000,
    },
    // What has no way to wait on the device says at once that there is no line: it is still typed.
    mutations: { networkMode: "always" },
  },
});
