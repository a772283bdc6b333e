/** What can be asked, as values that hooks and the cache share. */
import { keepPreviousData, queryOptions, skipToken } from "@tanstack/react-query";
import { ask } from "./client";
import type { paths } from "./schema";
import type {
  Attempt,
  BackingIn,
  Docket,
  Entry,
  Kind,
  MethodBody,
  Metres,
  PlanOptions,
  SeatBody,
  Sheet,
  ShuffleIn,
  VehicleBody,
} from "./types";

export interface DocketIds {
  learner?: number;
  seat?: number;
  ground?: number;
  method?: number;
  standard?: number;
  /** One of the sheets that belong to the rest; else the one last used. */
  sheet?: number;
}

export const sessionQuery = queryOptions({
  queryKey: ["session"],
  queryFn: ({ signal }) => ask.get("/api/session", { signal }),
  staleTime: 5 * 60_000,
});

/** Whose session ended while they worked; null while nobody's has. */
export const endedQuery = queryOptions({
  queryKey: ["ended"],
  queryFn: (): number | null => null,
  staleTime: Number.POSITIVE_INFINITY,
  initialData: null,
});

export const vocabularyQuery = queryOptions({
  queryKey: ["vocabulary"],
  queryFn: ({ signal }) => ask.get("/api/vocabulary", { signal }),
  staleTime: Number.POSITIVE_INFINITY, // it changes only with the application
});

export const docketQuery = (ids: DocketIds) =>
  queryOptions({
    queryKey: ["docket", ids],
    queryFn: ({ signal }) => ask.get("/api/docket", { params: { query: ids }, signal }),
  });

/** Whether one's own calendar has an address to ask. */
export const calendarQuery = queryOptions({
  queryKey: ["calendar"],
  queryFn: ({ signal }) => ask.get("/api/calendar", { signal }),
});

/** How well the school's people tape alike. */
export const agreementQuery = queryOptions({
  queryKey: ["attempts", "agreement"],
  queryFn: ({ signal }) => ask.get("/api/agreement", { signal }),
});

type Asked<P extends keyof paths> = paths[P] extends { get: { parameters: { query?: infer Q } } }
  ? NonNullable<Q>
  : never;
export type PeopleAsked = Asked<"/api/people">;
export type DocumentsAsked = Asked<"/api/documents">;
export type LessonsAsked = Asked<"/api/lessons">;

/** What a list answers: some of them, and how many there are. */
export interface Page<T> {
  items: T[];
  count: number;
}

export const peopleQuery = (asked: PeopleAsked) =>
  queryOptions({
    queryKey: ["people", asked],
    queryFn: ({ signal }) => ask.get("/api/people", { params: { query: asked }, signal }),
    placeholderData: keepPreviousData,
  });

/** As many as are looked through rather than searched. */
export const SOME = 50;

/** Learners to choose among. */
export const learnersQuery = (search: string) =>
  peopleQuery({ role: "learner", active: true, search, limit: SOME });

/** Documents of one kind; the server answers no others. */
export const documentsQuery = <K extends Kind>(kind: K, asked: Omit<DocumentsAsked, "kind">) =>
  queryOptions({
    queryKey: ["documents", kind, asked],
    queryFn: async ({ signal }) =>
      (await ask.get("/api/documents", {
        params: { query: { ...asked, kind } },
        signal,
      })) as unknown as Page<Entry<K>>,
    placeholderData: keepPreviousData,
  });

/** As many as a page may have. */
const MOST = 500;

/** Every page of a list, one after the other. */
const everyPage = async <T>(
  page: (asked: { limit: number; offset: number }) => Promise<Page<T>>,
): Promise<T[]> => {
  const all: T[] = [];
  for (;;) {
    const { items, count } = await page({ limit: MOST, offset: all.length });
    all.push(...items);
    if (items.length === 0 || all.length >= count) return all;
  }
};

/** All documents of one kind that are not put away, for what chooses among them. */
export const allDocumentsQuery = <K extends Kind>(kind: K) =>
  queryOptions({
    queryKey: ["documents", kind],
    queryFn: ({ signal }) =>
      everyPage(async (asked) => {
        const query = { kind, ...asked };
        const page = await ask.get("/api/documents", { params: { query }, signal });
        return page as unknown as Page<Entry<K>>;
      }),
  });

export const lessonsQuery = (asked: LessonsAsked) =>
  queryOptions({
    queryKey: ["lessons", asked],
    queryFn: ({ signal }) => ask.get("/api/lessons", { params: { query: asked }, signal }),
    placeholderData: keepPreviousData,
  });

/** A learner's lessons of today, and the last one before. */
export const lessonToday = (learner: number): LessonsAsked => ({ learner, when: "today" });
export const lastLesson = (learner: number): LessonsAsked => ({
  learner,
  when: "given",
  sort: "-starts",
  limit: 1,
});

/** As many as a page of a list has. */
export const LONG = 25;

/** The diary as it is opened. */
export const diaryQuery = (when: "coming" | "given") =>
  lessonsQuery({
    search: "",
    sort: when === "coming" ? "starts" : "-starts",
    limit: LONG,
    offset: 0,
    when,
  });

/** One lesson with its plan and what was driven in it. */
export const lessonQuery = (lesson: number | null) =>
  queryOptions({
    queryKey: ["lessons", "opened", lesson],
    queryFn:
      lesson === null
        ? skipToken
        : ({ signal }) =>
            ask.get("/api/lessons/{lesson_id}", {
              params: { path: { lesson_id: lesson } },
              signal,
            }),
    staleTime: 0, // what is driven and taped elsewhere comes into it
  });

export type HistoryAsked = Asked<"/api/history">;

export const historyQuery = (asked: HistoryAsked) =>
  queryOptions({
    queryKey: ["attempts", "history", asked],
    queryFn: ({ signal }) => ask.get("/api/history", { params: { query: asked }, signal }),
    placeholderData: keepPreviousData,
  });

/** Where the same ended, at the newest one's place. */
export const finishesQuery = (asked: HistoryAsked) =>
  queryOptions({
    queryKey: ["attempts", "finishes", asked],
    queryFn: ({ signal }) => ask.get("/api/history/finishes", { params: { query: asked }, signal }),
    placeholderData: keepPreviousData,
  });

/** Where the same is fetched as a table. */
export const historyPath = (asked: HistoryAsked): string => {
  const given = Object.entries(asked).map(([name, value]) => [name, String(value)]);
  return `/api/history.csv?${new URLSearchParams(given)}`;
};

/** Of mock tests: what they came to rests on the attempts. */
export const MOCK_TESTS = ["attempts", "mock tests"];

/** A learner's mock tests, newest first. */
export const mockTestsQuery = (learner: number) =>
  queryOptions({
    queryKey: [...MOCK_TESTS, learner],
    queryFn: ({ signal }) => ask.get("/api/mock-tests", { params: { query: { learner } }, signal }),
  });

export const mockPoolQuery = (asked: { learner: number; standard: number }) =>
  queryOptions({
    queryKey: ["mock pool", asked],
    queryFn: ({ signal }) => ask.get("/api/mock-tests/pool", { params: { query: asked }, signal }),
  });

/** How far off a learner says where the vehicle stands. */
export const ownEyeQuery = (learner: number) =>
  queryOptions({
    queryKey: ["attempts", "own eye", learner],
    queryFn: ({ signal }) => ask.get("/api/own-eye", { params: { query: { learner } }, signal }),
  });

/** Where learners stand; nobody is asked for where there are none. */
export const standingsQuery = (learner: number[]) =>
  queryOptions({
    queryKey: ["lessons", "standings", learner],
    queryFn:
      learner.length === 0
        ? skipToken
        : ({ signal }) => ask.get("/api/standings", { params: { query: { learner } }, signal }),
    placeholderData: keepPreviousData,
  });

/** Who drives by documents now; nobody is asked for where there are none. */
export const usesQuery = (document: number[]) =>
  queryOptions({
    queryKey: ["documents", "uses", document],
    queryFn:
      document.length === 0
        ? skipToken
        : ({ signal }) => ask.get("/api/uses", { params: { query: { document } }, signal }),
    placeholderData: keepPreviousData,
  });

export const lessonHistoryQuery = (lesson: number) =>
  queryOptions({
    queryKey: ["lessons", "history", lesson],
    queryFn: ({ signal }) =>
      ask.get("/api/lessons/{lesson_id}/history", {
        params: { path: { lesson_id: lesson } },
        signal,
      }),
  });

export const personHistoryQuery = (person: number) =>
  queryOptions({
    queryKey: ["people", "history", person],
    queryFn: ({ signal }) =>
      ask.get("/api/people/{person_id}/history", {
        params: { path: { person_id: person } },
        signal,
      }),
  });

/** What a plan is worked out from: a docket has it, and so has a sheet. */
type Revisions = Record<"vehicle" | "seat" | "ground" | "method" | "standard", { id: number }>;

const revisionIds = (docket: Revisions) => ({
  vehicle: docket.vehicle.id,
  seat: docket.seat.id,
  ground: docket.ground.id,
  method: docket.method.id,
  standard: docket.standard.id,
});

/** Everything left to the method, the place and the fit. */
export const NO_OPTIONS: PlanOptions = { pinned: {}, shifts_m: {}, picks: {}, dipped: false };

const cleaned = (options: PlanOptions | null): PlanOptions => ({
  ...NO_OPTIONS,
  ...Object.fromEntries(Object.entries(options ?? {}).filter(([, v]) => v !== null)),
});

/** The settings of the sheet in use; without one, the cues as they were chosen last for this
 *  method, vehicle and seat. */
export const optionsInUse = (docket: Docket): PlanOptions =>
  cleaned(docket.sheet_options ?? { ...NO_OPTIONS, picks: docket.picks });

export const planBody = (docket: Revisions, options: PlanOptions) => ({
  ...revisionIds(docket),
  options,
});

/** The same with the method as it is being changed, where it is. */
export const draftBody = (docket: Revisions, options: PlanOptions, changed?: MethodBody) => ({
  ...planBody(docket, options),
  method_body: changed ?? null,
});

/** What a driver sees of the ground round a vehicle, as both are measured or being changed. */
export const aroundQuery = (vehicle: VehicleBody, seat: SeatBody) =>
  queryOptions({
    queryKey: ["around", vehicle, seat],
    queryFn: ({ signal }) => ask.post("/api/vehicles/around", { body: { vehicle, seat }, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Mirrors that such a vehicle could have and this one has not. */
export const moreMirrorsQuery = (vehicle: VehicleBody, seat: SeatBody) =>
  queryOptions({
    queryKey: ["more mirrors", vehicle, seat],
    queryFn: ({ signal }) => ask.post("/api/vehicles/mirrors", { body: { vehicle, seat }, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** What is seen at every stop of that plan. */
export const sightsQuery = (docket: Revisions, options: PlanOptions, changed?: MethodBody) => {
  const body = draftBody(docket, options, changed);
  return queryOptions({
    queryKey: ["sights", body] as const,
    queryFn: ({ signal }) => ask.post("/api/plan/sights", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
};

/** The same of a sheet as it was kept. */
export const sheetSightsQuery = (sheet: Sheet) => sightsQuery(sheet, cleaned(sheet.options));

/** The way of that plan as it is seen where the cue of one call stands. */
export const filmQuery = (
  docket: Docket,
  options: PlanOptions,
  changed: MethodBody | undefined,
  call: number,
) => {
  const body = { ...draftBody(docket, options, changed), call };
  return queryOptions({
    queryKey: ["film", body],
    queryFn: ({ signal }) => ask.post("/api/plan/film", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
};

/** A plan of the docket, or of its method as it is being changed. */
export const planQuery = (docket: Docket, options: PlanOptions, changed?: MethodBody) => {
  const body = draftBody(docket, options, changed);
  return queryOptions({
    queryKey: ["plan", body],
    queryFn: ({ signal }) => ask.post("/api/plan", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY, // it names revisions, and revisions never change
  });
};

export const remedyQuery = (docket: Docket, options: PlanOptions) => {
  const body = planBody(docket, options);
  return queryOptions({
    queryKey: ["remedy", body],
    queryFn: ({ signal }) => ask.post("/api/plan/remedy", { body, signal }),
  });
};

export const leastSizesQuery = (docket: Docket) => {
  const body = planBody(docket, NO_OPTIONS);
  return queryOptions({
    queryKey: ["least sizes", body],
    queryFn: ({ signal }) => ask.post("/api/plan/least", { body, signal }),
  });
};

export const playQuery = (docket: Docket, options: PlanOptions, call: number, by_m: number) => {
  const body = { ...planBody(docket, options), call, by_m };
  return queryOptions({
    queryKey: ["play", body],
    queryFn: by_m === 0 ? skipToken : ({ signal }) => ask.post("/api/plan/play", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
};

/** How to save the attempt from there; null where there is nothing but to begin again. */
export const rescueQuery = (
  docket: Docket,
  options: PlanOptions,
  call: number,
  by_m: number,
  wanted: boolean,
) => {
  const body = { ...planBody(docket, options), call, by_m };
  return queryOptions({
    queryKey: ["rescue", body],
    queryFn:
      wanted && by_m !== 0
        ? async ({ signal }) => (await ask.post("/api/plan/rescue", { body, signal })) ?? null
        : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
  });
};

export const leavingQuery = (docket: Docket, options: PlanOptions) => {
  const body = planBody(docket, options);
  return queryOptions({
    queryKey: ["leaving", body],
    queryFn: ({ signal }) => ask.post("/api/plan/leaving", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
};

export const cornerWheelQuery = (vehicle: number, kerb_m: number) => {
  const body = { vehicle, kerb_m };
  return queryOptions({
    queryKey: ["corner wheel", body],
    queryFn: ({ signal }) => ask.post("/api/corner-wheel", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
};

export const shuffleQuery = (body: ShuffleIn) =>
  queryOptions({
    queryKey: ["shuffle", body],
    queryFn: ({ signal }) => ask.post("/api/shuffle", { body, signal }),
    retry: false,
  });

export const driftQuery = (run_m: Metres) =>
  queryOptions({
    queryKey: ["drift", run_m],
    queryFn: ({ signal }) => ask.post("/api/drift", { body: { run_m }, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const rejoinQuery = (docket: Docket) => {
  const body = { vehicle: docket.vehicle.id, ground: docket.ground.id };
  return queryOptions({
    queryKey: ["rejoin", body],
    queryFn: ({ signal }) => ask.post("/api/rejoin", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
};

export const backingQuery = (body: BackingIn) =>
  queryOptions({
    queryKey: ["backing", body],
    queryFn: ({ signal }) => ask.post("/api/backing", { body, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const sheetQuery = (sheet: number | null) =>
  queryOptions({
    queryKey: ["sheet", sheet],
    queryFn:
      sheet === null
        ? skipToken
        : ({ signal }) =>
            ask.get("/api/sheets/{sheet_id}", {
              params: { path: { sheet_id: sheet } },
              signal,
            }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const attemptsQuery = (sheet: number | null) =>
  queryOptions({
    queryKey: ["attempts", sheet],
    queryFn:
      sheet === null
        ? skipToken
        : ({ signal }) =>
            everyPage<Attempt>((asked) =>
              ask.get("/api/attempts", { params: { query: { sheet, ...asked } }, signal }),
            ),
  });

export const setsQuery = (sheet: number | null) =>
  queryOptions({
    queryKey: ["sets", sheet],
    queryFn:
      sheet === null
        ? skipToken
        : ({ signal }) =>
            everyPage((asked) =>
              ask.get("/api/sets", { params: { query: { sheet, ...asked } }, signal }),
            ),
  });
