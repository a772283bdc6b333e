/** Whether what has just appeared may be tapped: a second tap was meant for what was there before. */
import { useEffect, useState } from "react";

/** Between the taps of an impatient thumb, ms: the longest double click that systems offer, halved. */
const IMPATIENT = 450;

/** what : names what is shown; true once no thumb has been down for a moment since it came */
export const useLifted = (what: string): boolean => {
  const [lifted, setLifted] = useState<string | null>(null);
  useEffect(() => {
    let timer = 0;
    const press = () => window.clearTimeout(timer);
    const lift = () => {
      press();
      timer = window.setTimeout(() => setLifted(what), IMPATIENT);
    };
    lift();
    window.addEventListener("pointerdown", press, true);
    window.addEventListener("pointerup", lift, true);
    window.addEventListener("pointercancel", lift, true);
    return () => {
      press();
      window.removeEventListener("pointerdown", press, true);
      window.removeEventListener("pointerup", lift, true);
      window.removeEventListener("pointercancel", lift, true);
    };
  }, [what]);
  return lifted === what;
};
