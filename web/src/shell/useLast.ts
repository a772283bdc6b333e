/** The last value there was: what is drawn stays standing while its successor cannot be had. */
import { useRef } from "react";

export const useLast = <T>(value: T | undefined): T | undefined => {
  const last = useRef(value);
  if (value !== undefined) last.current = value;
  return last.current;
};
