import { expect, it } from "vitest";
import { ApiError, inTheWay } from "./client";

const answered = (status: number) => new ApiError(status, "", "told", "");

it("leaves a page that is there where it is while the server is away for a moment", () => {
  for (const status of [0, 429, 500, 503]) {
    const error = answered(status);
    expect(inTheWay({ error, data: [] })).toBeNull();
    expect(inTheWay({ error, data: undefined })).toBe(error);
  }
  for (const error of [answered(403), answered(404), new TypeError("a fault of ours")])
    expect(inTheWay({ error, data: [] })).toBe(error);
  expect(inTheWay({ error: null, data: undefined })).toBeNull();
});
