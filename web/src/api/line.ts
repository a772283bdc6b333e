/** Whether there is a line to the server: what the browser says of its network is half of it. */
import { onlineManager } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";

/** Between one try and the next, ms: soon at first, then as often as a battery bears. */
const PAUSES = [1_000, 2_000, 5_000, 10_000, 20_000] as const;
const PATIENCE = 8_000;

let tries = 0;
let trying: ReturnType<typeof setTimeout> | null = null;

const tryAgain = () => {
  const pause = PAUSES[Math.min(tries, PAUSES.length - 1)];
  tries += 1;
  trying = setTimeout(async () => {
    trying = null;
    if (onlineManager.isOnline()) return;
    try {
      // Whatever comes back has come from the server.
      await fetch("/api/health", { cache: "no-store", signal: AbortSignal.timeout(PATIENCE) });
      onlineManager.setOnline(true);
    } catch {
      tryAgain();
    }
  }, pause);
};

/** No answer came: what is asked waits until one does. */
export const lineIsLost = () => {
  if (onlineManager.isOnline()) tries = 0;
  onlineManager.setOnline(false);
  if (trying === null) tryAgain();
};

export const useOnline = (): boolean =>
  useSyncExternalStore(
    (changed) => onlineManager.subscribe(changed),
    () => onlineManager.isOnline(),
  );
