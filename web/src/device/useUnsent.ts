/** What is on this device alone: put there, shown, and sent as soon as there is a line. */

import {
  onlineManager,
  type QueryClient,
  useQueryClient,
  useSuspenseQuery,
} from "@tanstack/react-query";
import { useCallback, useEffect } from "react";
import {
  attemptsQuery,
  lessonQuery,
  lessonsQuery,
  lessonToday,
  MOCK_TESTS,
  sessionQuery,
} from "../api/queries";
import type { Attempt, Lesson, MockTest } from "../api/types";
import { mine, rekey } from "./kept";
import { type Told, waiting } from "./outbox";
import { mockTestsWith, planned } from "./pending";
import { note, onChange, sendWaiting } from "./sending";
import { store, type Unsent } from "./store";

export const unsentQuery = (person: number) => ({
  queryKey: ["unsent", person],
  // Where a browser keeps nothing, nothing waits.
  queryFn: async () => {
    const db = await store().catch(() => null);
    return db ? await waiting(db, person) : [];
  },
  staleTime: Number.POSITIVE_INFINITY,
  networkMode: "always" as const,
});

const usePerson = () => useSuspenseQuery(sessionQuery).data.person ?? { id: 0, name: "" };

/** What the person at hand has noted here that the server has not got, in the order noted. */
export const useUnsent = (): Unsent[] => useSuspenseQuery(unsentQuery(usePerson().id)).data;

/** The server's answer stands in for what has left, before that is gone. */
const takenIn =
  (client: QueryClient): Told =>
  async (one, sent) => {
    const { what } = one;
    if ("refused" in sent) return;
    if (what === "lesson" || what === "lesson begun") {
      const lesson = sent.answer as Lesson;
      if (what === "lesson begun") await numbered(client, one, lesson);
      const { queryKey } = lessonQuery(lesson.id);
      await client.cancelQueries({ queryKey });
      client.setQueryData(queryKey, (there) => there && { ...there, ...lesson });
      return;
    }
    const attempt = sent.answer as Attempt & { cue_sheet_id: number };
    const { queryKey } = attemptsQuery(attempt.cue_sheet_id);
    // A list that was asked for before would bring it without this one.
    await client.cancelQueries({ queryKey });
    client.setQueryData(queryKey, (there) => there && replaced(there, attempt));
    // The next exercise is not the one that was just driven, until all of them are asked for anew.
    const tests = { queryKey: MOCK_TESTS };
    await client.cancelQueries(tests);
    client.setQueriesData<MockTest[]>(tests, (there) => there && mockTestsWith(there, [one]));
  };

/** A lesson begun here has a number by now: with it goes what is still being written of it. */
const numbered = async (client: QueryClient, { person, seq = 0 }: Unsent, lesson: Lesson) => {
  rekey(mine(person, `lesson/${-seq}`), mine(person, `lesson/${lesson.id}`));
  const { queryKey } = lessonsQuery(lessonToday(lesson.learner_id));
  await client.cancelQueries({ queryKey });
  client.setQueryData(queryKey, (there) => {
    const others = there?.items.filter(({ id }) => id !== lesson.id);
    return there && others && { ...there, items: [...others, lesson] };
  });
  // Should the line go again at once, it can be written on.
  const exercises = planned(lesson.plan, []);
  client.setQueryData(lessonQuery(lesson.id).queryKey, { ...lesson, exercises, driven: [] });
};

const replaced = (there: Attempt[], attempt: Attempt): Attempt[] =>
  there.some(({ id }) => id === attempt.id)
    ? there.map((one) => (one.id === attempt.id ? attempt : one))
    : [...there, attempt];

/** Everything that is told from what was sent; nobody waits for it, since the line may go again. */
const refresh = (client: QueryClient): void => {
  for (const key of ["attempts", "docket", "sets", "lessons"])
    void client.invalidateQueries({ queryKey: [key] });
};

type Noted = Omit<Unsent, "seq" | "person" | "by" | "at" | "refused" | "left">;

/** Puts something on its way: there once it is on the device, answered where there is a line.
 *
 *  Null where no answer came. Throws what the server would not have.
 */
export const useNoting = () => {
  const client = useQueryClient();
  const { id: person, name: by } = usePerson();
  return async (noted: Noted): Promise<unknown> => {
    const at = new Date().toISOString();
    const one = { ...noted, person, by, at, refused: null, left: false };
    try {
      return await note(one, takenIn(client));
    } finally {
      await client.invalidateQueries({ queryKey: unsentQuery(person).queryKey });
      if (onlineManager.isOnline()) refresh(client);
    }
  };
};

/** How often what waits is tried again where nothing else says that there is a line, ms. */
const AGAIN = 30_000;

/** Sends what waits, now. */
export const useSend = (): (() => Promise<void>) => {
  const client = useQueryClient();
  const { id: person } = usePerson();
  return useCallback(async () => {
    if ((await client.ensureQueryData(unsentQuery(person))).length === 0) return;
    const take = takenIn(client);
    let answered = false;
    await sendWaiting(person, (one, sent) => {
      answered = true;
      return take(one, sent);
    });
    if (answered) refresh(client);
  }, [client, person]);
};

/** Sends it when somebody comes, when there is a line again, and every now and then. */
export const useSending = (): void => {
  const client = useQueryClient();
  const { id: person } = usePerson();
  const send = useSend();
  useEffect(() => {
    const sooner = () => void send();
    const changed = onChange(() => {
      void client.invalidateQueries({ queryKey: unsentQuery(person).queryKey });
    });
    const line = onlineManager.subscribe((online) => online && sooner());
    const timer = setInterval(sooner, AGAIN);
    sooner();
    return () => {
      changed();
      line();
      clearInterval(timer);
    };
  }, [client, person, send]);
};
