/** State that survives a reload: what was typed is never lost, and is nobody's but who typed it. */
import { useSuspenseQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { sessionQuery } from "../api/queries";
import { forgetKept, keep, mine, ROOT } from "../device/kept";

/** What was kept here before it was told apart by person. */
const OF_NOBODY = /^fair-corner\/(attempt|draft|notes|options|tape)\//;

const read = <T>(key: string, fallback: T): T => {
  const kept = localStorage.getItem(key);
  if (kept === null) return fallback;
  try {
    return JSON.parse(kept) as T;
  } catch {
    return fallback;
  }
};

/** What this machine kept before it knew whose it was goes to whoever signs in first. */
export const adopt = (person: number) => {
  for (const key of Object.keys(localStorage).filter((k) => OF_NOBODY.test(k))) {
    const kept = localStorage.getItem(key);
    const own = mine(person, key.slice(ROOT.length));
    if (kept !== null && localStorage.getItem(own) === null) localStorage.setItem(own, kept);
    localStorage.removeItem(key);
  }
};

/** Whether somebody has come in for the first time, and was not shown the round yet. */
export const NEW_HERE = "new here";

/** Somebody has chosen how to sign in: they have not been here before. */
export const welcome = (person: number) => keep(mine(person, NEW_HERE), "true");

const usePerson = () => useSuspenseQuery(sessionQuery).data.person?.id ?? 0;

/** All that the person at hand has kept under names that begin so, by the rest of the name. */
export const useAllStored = <T>(beginning: string): [string, T][] => {
  const start = mine(usePerson(), beginning);
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(start))
    .flatMap((key) => {
      const kept = read<T | null>(key, null);
      return kept === null ? [] : [[key.slice(start.length), kept] as [string, T]];
    });
};

/** Keeps something of the person at hand where another screen looks for it. */
export const useKeepForLater = () => {
  const person = usePerson();
  return (name: string, value: unknown) => keep(mine(person, name), JSON.stringify(value));
};

export const useStored = <T>(name: string, fallback: T) => {
  const key = mine(usePerson(), name);
  const [state, setState] = useState(() => ({ key, value: read(key, fallback) }));
  const value = state.key === key ? state.value : read(key, fallback);
  const set = useCallback(
    (next: T) => {
      keep(key, JSON.stringify(next));
      setState({ key, value: next });
    },
    [key],
  );
  // Another tab may have stored a newer value: continue from it instead of overwriting it.
  useEffect(() => {
    const follow = ({ key: changed }: StorageEvent) => {
      if (changed === key) setState({ key, value: read(key, fallback) });
    };
    window.addEventListener("storage", follow);
    return () => window.removeEventListener("storage", follow);
  });
  const forget = () => {
    forgetKept(key);
    setState({ key, value: fallback });
  };
  return [value, set, forget] as const;
};
