/** State that survives a reload: what was typed is never lost. */
import { useCallback, useState } from "react";

const read = <T>(key: string, fallback: T): T => {
  const kept = localStorage.getItem(key);
  if (kept === null) return fallback;
  try {
    return JSON.parse(kept) as T;
  } catch {
    return fallback;
  }
};

export const useStored = <T>(key: string, fallback: T) => {
  const [state, setState] = useState(() => ({ key, value: read(key, fallback) }));
  const value = state.key === key ? state.value : read(key, fallback);
  const set = useCallback(
    (next: T) => {
      localStorage.setItem(key, JSON.stringify(next));
      setState({ key, value: next });
    },
    [key],
  );
  const forget = () => {
    localStorage.removeItem(key);
    setState({ key, value: fallback });
  };
  return [value, set, forget] as const;
};
