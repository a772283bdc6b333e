/** The typed client: cookies, CSRF, and errors that carry the server's own sentence. */

import createClient, { type FetchOptions, type Middleware } from "openapi-fetch";
import type {
  FilterKeys,
  PathsWithMethod,
  ResponseObjectMap,
  SuccessResponse,
} from "openapi-typescript-helpers";
import { t } from "../words";
import { lineIsLost } from "./line";
import type { paths } from "./schema";
import type { Problem } from "./types";

export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly field: string,
    readonly problem: string,
    /** What the field is called. */
    readonly label: string,
  ) {
    // On what state of it a change is based is a field that nobody sees.
    super(label && field !== "based_on" ? `${label}: ${problem}` : problem);
  }
}

/** What will be otherwise in a moment: no line, too much asked at once, a server that starts anew. */
const passes = (error: Error): boolean =>
  error instanceof ApiError && (error.status === 0 || error.status === 429 || error.status >= 500);

/** The error that is shown in place of a page: none that passes, where there is something to show. */
export const inTheWay = ({ error, data }: { error: Error | null; data: unknown }): Error | null =>
  error && (data === undefined || !passes(error)) ? error : null;

const csrfToken = () => /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? "";

const middleware: Middleware = {
  async onRequest({ request }) {
    if (request.method === "GET") return request;
    // A browser that was killed may have lost it, and a page from the device brings none.
    if (csrfToken() === "") await fetch("/api/session", { signal: request.signal });
    request.headers.set("X-CSRFToken", csrfToken());
    return request;
  },
  async onResponse({ response }) {
    if (response.ok) return response;
    const body = (await response.json().catch(() => null)) as Problem | null;
    const problem = body?.problem ?? t("api.no answer", { status: response.status });
    throw new ApiError(response.status, body?.field ?? "", problem, body?.label ?? "");
  },
  onError({ error }) {
    if (error instanceof DOMException) return; // cancelled
    lineIsLost();
    return new ApiError(0, "", t("api.no connection"), "");
  },
};

const client = createClient<paths>({ baseUrl: "/" });
client.use(middleware);

type Method = "get" | "post" | "put" | "delete";
type Operation<P extends keyof paths, M extends Method> = FilterKeys<paths[P], M>;

/** What an operation answers when it goes well, as the API's description has it. */
type Answer<P extends keyof paths, M extends Method> =
  Operation<P, M> extends Record<string | number, unknown>
    ? SuccessResponse<ResponseObjectMap<Operation<P, M>>, "application/json">
    : never;

const asking =
  <M extends Method>(method: M) =>
  async <P extends PathsWithMethod<paths, M>>(
    path: P,
    init: FetchOptions<Operation<P, M>>,
  ): Promise<Answer<P, M>> => {
    // The middleware has thrown for every answer but a good one.
    const { data }: { data?: unknown } = await client.request(method, path, init as never);
    return data as Answer<P, M>;
  };

export const ask = {
  get: asking("get"),
  post: asking("post"),
  put: asking("put"),
  delete: asking("delete"),
};

/** A file that an operation answers with. */
export const askForFile = async <P extends PathsWithMethod<paths, "post">>(
  path: P,
  body: Operation<P, "post"> extends { requestBody: { content: { "application/json": infer B } } }
    ? B
    : never,
): Promise<Blob> => {
  const init = { body, parseAs: "blob" };
  const { data }: { data?: unknown } = await client.request("post", path, init as never);
  return data as Blob;
};
