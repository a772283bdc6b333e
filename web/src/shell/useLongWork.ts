/** Work that takes some seconds: asked for, followed, given up and asked for again. */
import {
  type QueryKey,
  type UseQueryOptions,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { ask } from "../api/client";

interface Work<T> {
  id: number;
  state: "waiting" | "under way" | "done";
  share: number;
  result: T | null;
}

export interface LongWork<T> {
  /** What came of it; undefined until it is done. */
  found: T | null | undefined;
  busy: boolean;
  /** How much is behind, 0 to 1; null while it waits for its turn. */
  share: number | null;
  error: Error | null;
  stopped: boolean;
  stop: () => void;
  again: () => void;
}

const ASKED_AGAIN_MS = 600;

const isDone = (work: Work<unknown> | undefined) => work?.state === "done";

const giveUp = (work_id: number) =>
  ask.delete("/api/long-work/{work_id}", { params: { path: { work_id } } }).catch(() => undefined);

export const useLongWork = <T, K extends QueryKey>(
  asked: UseQueryOptions<Work<T>, Error, Work<T>, K>,
  wanted = true,
): LongWork<T> => {
  const client = useQueryClient();
  const [stopped, setStopped] = useState(false);
  const going = wanted && !stopped;
  const { data, error } = useQuery({
    ...asked,
    enabled: going,
    staleTime: ({ state }) => (isDone(state.data) ? Number.POSITIVE_INFINITY : 0),
    refetchInterval: ({ state }) => (isDone(state.data) || state.error ? false : ASKED_AGAIN_MS),
    // Who stops asking is taken to have gone.
    refetchIntervalInBackground: true,
  });
  const busy = going && !isDone(data) && error === null;
  const key = JSON.stringify(asked.queryKey);
  const id = data?.id;
  useEffect(() => {
    if (!busy || id === undefined) return;
    return () => {
      const queryKey = JSON.parse(key) as QueryKey;
      if (isDone(client.getQueryData<Work<T>>(queryKey))) return;
      void client.cancelQueries({ queryKey }).then(() => giveUp(id));
    };
  }, [busy, id, key, client]);
  return {
    found: isDone(data) ? data?.result : undefined,
    busy,
    share: data?.state === "under way" ? data.share : null,
    error: going ? error : null,
    stopped,
    stop: () => setStopped(true),
    again: () => setStopped(false),
  };
};
