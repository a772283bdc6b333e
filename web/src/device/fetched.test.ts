import "fake-indexeddb/auto";
import { QueryClient } from "@tanstack/react-query";
import { expect, it, vi } from "vitest";
import { A_WEEK, keepFetched, restoreFetched } from "./fetched";

it("keeps whatever is fetched while what was there already is written", async () => {
  const small = new Map<string, string>();
  vi.stubGlobal("localStorage", {
    getItem: (key: string) => small.get(key) ?? null,
    setItem: (key: string, text: string) => small.set(key, text),
  });
  const client = new QueryClient({ defaultOptions: { queries: { gcTime: A_WEEK } } });
  let fetched = 0;
  const comes = setInterval(() => {
    fetched += 1;
    client.setQueryData(["sheet", fetched], fetched);
  });
  const stop = await keepFetched(client, 7);
  clearInterval(comes);
  const again = new QueryClient();
  await expect
    .poll(async () => {
      await restoreFetched(again);
      return again.getQueryCache().getAll().length;
    })
    .toBe(fetched);
  stop();
});
