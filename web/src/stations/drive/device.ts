/** What the device itself does in Drive: speaks, buzzes, stays lit. Each only where it can. */
import { useEffect } from "react";

/** A short buzz that says the tap has been taken. */
export const buzz = () => {
  if ("vibrate" in navigator) navigator.vibrate(15);
};

export const canSpeak = "speechSynthesis" in window;

/** Says it in the device's own voice, in place of what it was saying. */
export const speak = (text: string, locale: string) => {
  if (!canSpeak) return;
  speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.lang = locale;
  speechSynthesis.speak(said);
};

export const hush = () => {
  if (canSpeak) speechSynthesis.cancel();
};

/** The screen stays on while `lit`: nobody has a hand for it. */
export const useStaysLit = (lit: boolean) => {
  useEffect(() => {
    if (!lit || !("wakeLock" in navigator)) return;
    let held: WakeLockSentinel | null = null;
    let over = false;
    const hold = () =>
      navigator.wakeLock.request("screen").then(
        (lock) => {
          if (over) void lock.release();
          else held = lock;
        },
        // A device that saves its battery may refuse.
        () => undefined,
      );
    // It is let go whenever the page is out of sight.
    const again = () => document.visibilityState === "visible" && void hold();
    void hold();
    document.addEventListener("visibilitychange", again);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", again);
      void held?.release();
    };
  }, [lit]);
};
