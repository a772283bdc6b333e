/** The typed client: cookies, CSRF, and errors that carry the server's own sentence. */
import createClient, { type Middleware } from "openapi-fetch";
import type { paths } from "./schema";
import type { Problem } from "./types";

export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly field: string,
    readonly problem: string,
  ) {
    super(field ? `${field}: ${problem}` : problem);
  }
}

const csrfToken = () => /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? "";

const middleware: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRFToken", csrfToken());
    return request;
  },
  async onResponse({ response }) {
    if (response.ok) return response;
    const body = (await response.json().catch(() => null)) as Problem | null;
    const problem = body?.problem ?? `the server answered ${response.status}; try again`;
    throw new ApiError(response.status, body?.field ?? "", problem);
  },
  onError({ error }) {
    if (error instanceof DOMException) return; // cancelled
    return new ApiError(0, "", "no connection; nothing is lost, try again");
  },
};

export const api = createClient<paths>({ baseUrl: "/" });
api.use(middleware);

/** The data of an answer; the middleware has thrown for every other. */
export const dataOf = <T>(answer: { data?: T }): T => answer.data as T;
