/** Keys that act by themselves: only while nothing has the focus and nothing lies over the page. */
import { createContext, useContext, useEffect, useRef } from "react";

/** Whether somebody wants them at all. */
export const KeysOn = createContext(true);

/** What has the focus when nothing has: the page, or the part of it that was come to. */
export const RESTS = "data-rests";

const isFree = (event: KeyboardEvent): boolean => {
  const { target } = event;
  const held = event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented;
  if (held || !(target instanceof HTMLElement)) return false;
  const rests = target === document.body || target.hasAttribute(RESTS);
  return rests && document.querySelector(".MuiModal-root") === null;
};

/** press : answers whether the key was meant for it */
export const useKeys = (press: (key: string) => boolean) => {
  const on = useContext(KeysOn);
  const latest = useRef(press);
  latest.current = press;
  useEffect(() => {
    if (!on) return;
    const listen = (event: KeyboardEvent) => {
      if (isFree(event) && latest.current(event.key)) event.preventDefault();
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, [on]);
};
