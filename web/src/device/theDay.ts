/** The day's lessons with all that is driven in them, put on the device while there is a line. */

import type { QueryClient } from "@tanstack/react-query";
import {
  attemptsQuery,
  type DocketIds,
  diaryQuery,
  docketQuery,
  lastLesson,
  learnersQuery,
  lessonQuery,
  lessonsQuery,
  lessonToday,
  mockTestsQuery,
  optionsInUse,
  planQuery,
  setsQuery,
  sheetQuery,
  sightsQuery,
  standingsQuery,
  vocabularyQuery,
} from "../api/queries";
import type { Docket, Lesson, MockTest } from "../api/types";
import { underWay } from "../mock/underWay";
import { A_WEEK } from "./fetched";

/** No day has more lessons of one person. */
const MOST = 16;
/** What was fetched sooner is not fetched again, ms: the diary changes, the rest hardly does. */
const SOON = 60_000;
const LATER = 10 * 60_000;

/** How many lessons are on the device, and since when. */
export interface TheDay {
  lessons: number;
  at: string;
}
export const theDayKey = ["the day"] as const;

const A_DAY = 24 * 60 * 60_000;

/** Fetch it, piece by piece: whoever is at work is not held up by it. Rejects where a piece fails.
 *
 *  docket : what is in hand; mine : whose lessons besides, null for all that can be seen
 */
export const fetchTheDay = async (
  client: QueryClient,
  docket: Docket,
  mine: number | null,
): Promise<void> => {
  const soon = { staleTime: SOON };
  const later = { staleTime: LATER, gcTime: A_WEEK };
  await client.fetchQuery({ ...vocabularyQuery });
  await fetchDocket(client, wholeAddress(docket));
  await fetchLearner(client, docket.learner.id);
  await client.fetchQuery({ ...learnersQuery(""), ...later });
  await client.fetchQuery({ ...diaryQuery("given"), ...soon });
  const coming = await client.fetchQuery({ ...diaryQuery("coming"), ...soon });
  const learners = [...new Set(coming.items.map((one) => one.learner_id))].sort((a, b) => a - b);
  if (learners.length > 0) await client.fetchQuery({ ...standingsQuery(learners), ...later });
  const today = await client.fetchQuery({ ...lessonsQuery({ when: "today" }), ...soon });
  // Who drives off before there is a line has had one the evening before.
  const tomorrow = Date.now() + A_DAY;
  const next = coming.items.filter(({ starts }) => Date.parse(starts) < tomorrow);
  const all = new Map([...today.items, ...next].map((lesson) => [lesson.id, lesson]));
  const meant = [...all.values()]
    .filter((lesson) => mine === null || lesson.instructor_id === mine)
    .slice(0, MOST);
  for (const lesson of meant) await fetchLesson(client, lesson);
  const day: TheDay = { lessons: meant.length, at: new Date().toISOString() };
  client.setQueryData(theDayKey, day);
};

/** What stands on a learner's lesson page without a lesson being named, and a test under way. */
const fetchLearner = async (client: QueryClient, learner: number) => {
  const soon = { staleTime: SOON };
  await fetchTest(
    client,
    learner,
    await client.fetchQuery({ ...mockTestsQuery(learner), ...soon }),
  );
  await client.fetchQuery({ ...lessonsQuery(lessonToday(learner)), ...soon });
  const last = await client.fetchQuery({ ...lessonsQuery(lastLesson(learner)), ...soon });
  for (const { id } of last.items) await client.fetchQuery({ ...lessonQuery(id), ...soon });
};

/** What the mock test under way is driven and taped by, all of it before the first exercise. */
export const fetchTest = async (
  client: QueryClient,
  learner: number,
  tests: MockTest[],
): Promise<void> => {
  const meant = underWay(tests)?.exercises.filter(({ cancelled }) => !cancelled) ?? [];
  for (const { sheet_id: sheet } of meant) await fetchDocket(client, { learner, sheet });
};

const fetchLesson = async (client: QueryClient, { id, learner_id: learner }: Lesson) => {
  await fetchLearner(client, learner);
  const { exercises } = await client.fetchQuery({ ...lessonQuery(id), staleTime: SOON });
  const dockets = exercises.flatMap(({ docket }) => (docket ? [{ ...docket, learner }] : []));
  for (const ids of [{ learner }, ...dockets]) await fetchDocket(client, ids);
};

/** A docket under either of its addresses, and all that its stations show at first. */
const fetchDocket = async (client: QueryClient, ids: DocketIds) => {
  const later = { staleTime: LATER, gcTime: A_WEEK };
  const docket = await client.fetchQuery({ ...docketQuery(ids), ...later });
  const whole = { ...wholeAddress(docket), ...(ids.sheet && { sheet: ids.sheet }) };
  putUnder(client, docketQuery(whole).queryKey, docketQuery(ids).queryKey);
  // What is driven and taped by comes first: a plan takes its time, and may be too much at once.
  if (docket.sheet_id !== null) {
    await client.fetchQuery({ ...sheetQuery(docket.sheet_id), gcTime: A_WEEK });
    await client.fetchQuery({ ...attemptsQuery(docket.sheet_id), ...later });
    await client.fetchQuery({ ...setsQuery(docket.sheet_id), ...later });
  }
  const options = optionsInUse(docket);
  await client.fetchQuery({ ...planQuery(docket, options), gcTime: A_WEEK });
  await client.fetchQuery({ ...sightsQuery(docket, options), gcTime: A_WEEK });
};

/** What is known under one key, under another as well: as old as it is, and over nothing newer. */
const putUnder = (client: QueryClient, other: readonly unknown[], key: readonly unknown[]) => {
  const { data, dataUpdatedAt: updatedAt } = client.getQueryState(key) ?? { dataUpdatedAt: 0 };
  const there = client.getQueryState(other)?.dataUpdatedAt ?? 0;
  if (updatedAt > there) client.setQueryData(other, data, { updatedAt });
};

/** As the address has it once the docket is on. */
const wholeAddress = (docket: Docket): DocketIds => ({
  learner: docket.learner.id,
  seat: docket.seat.document_id,
  ground: docket.ground.document_id,
  method: docket.method.document_id,
  standard: docket.standard.document_id,
});
