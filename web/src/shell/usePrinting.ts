/** Whether something is being printed: told before the browser counts the pages. */
import { useSyncExternalStore } from "react";

let asked = false;

const paper = window.matchMedia("print");

const subscribe = (tell: () => void) => {
  const begin = () => {
    asked = true;
    tell();
  };
  const end = () => {
    asked = false;
    tell();
  };
  window.addEventListener("beforeprint", begin);
  window.addEventListener("afterprint", end);
  paper.addEventListener("change", tell);
  return () => {
    window.removeEventListener("beforeprint", begin);
    window.removeEventListener("afterprint", end);
    paper.removeEventListener("change", tell);
  };
};

export const usePrinting = () => useSyncExternalStore(subscribe, () => asked || paper.matches);
