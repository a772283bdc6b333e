/** The application itself on the device: put there by its service worker, renewed when asked to. */

import { registerSW } from "virtual:pwa-register";

/** An application that stays open for days asks by itself whether there is a newer one, ms. */
const AN_HOUR = 60 * 60_000;

let takeUp: (() => void) | null = null;
const heard = new Set<() => void>();

/** How to take up a newer version, once one is on the device; null until then. */
export const newer = {
  subscribe: (changed: () => void) => {
    heard.add(changed);
    return () => heard.delete(changed);
  },
  there: () => takeUp,
};

/** Puts the application on the device, and keeps looking for a newer one while it is open. */
export const install = (): void => {
  // What waits here is not to be cleared away where a device is short of room.
  void navigator.storage?.persist?.().catch(() => undefined);
  const update = registerSW({
    onRegisteredSW(_address, registration) {
      setInterval(() => registration?.update().catch(() => undefined), AN_HOUR);
    },
    onNeedRefresh() {
      takeUp = () => void update(true);
      for (const changed of heard) changed();
    },
  });
};

/** Answers once the application is on the device: what is fetched is of use there only then. */
export const isInstalled = async (): Promise<void> => {
  if ("serviceWorker" in navigator) await navigator.serviceWorker.ready;
  else await new Promise(() => undefined);
};
