import { useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";

/** The size of an element in pixels, kept current. */
export const useSize = () => {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    // Told of the size that it has already, nothing is drawn a second time.
    const put = (now: typeof size) =>
      setSize((was) => (was.width === now.width && was.height === now.height ? was : now));
    // Known at once: what is drawn for paper is not there long enough to be told.
    const { width, height } = element.getBoundingClientRect();
    put({ width, height });
    const observer = new ResizeObserver(([entry]) => {
      if (!entry) return;
      const { width, height } = entry.contentRect;
      // Before it is painted: what is drawn is never of another size than where it stands.
      flushSync(() => put({ width, height }));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size] as const;
};
