/** A function that stays the same from drawing to drawing and does what its latest self would. */
import { useCallback, useLayoutEffect, useRef } from "react";

export const useSteady = <Args extends unknown[]>(work: (...args: Args) => void) => {
  const latest = useRef(work);
  useLayoutEffect(() => {
    latest.current = work;
  });
  return useCallback((...args: Args) => latest.current(...args), []);
};
