/** The application itself on the device: put there by its service worker, renewed when asked to. */

import { registerSW } from "virtual:pwa-register";

/** An application that stays open for days asks by itself whether there is a newer one, ms. */
const AN_HOUR = 60 * 60_000;
/** And one that did not get here whole is asked for once more so soon, ms. */
const SOON = 20_000;

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
  if (!("serviceWorker" in navigator)) return;
  register();
  const look = () => registered().then((there) => there?.update());
  setInterval(() => look().catch(() => undefined), AN_HOUR);
};

const registered = () => navigator.serviceWorker.getRegistration();

const register = () => {
  const update = registerSW({
    onNeedRefresh() {
      takeUp = () => void update(true);
      for (const changed of heard) changed();
    },
  });
  setTimeout(seeToIt, SOON);
};

/** A line that breaks meanwhile leaves nothing of it on the device: then all of it is fetched anew. */
const seeToIt = async () => {
  const there = await registered().catch(() => undefined);
  if (!there) register();
  else if (!there.active) setTimeout(seeToIt, SOON);
};

/** Answers once the application is on the device: what is fetched is of use there only then. */
export const isInstalled = async (): Promise<void> => {
  if ("serviceWorker" in navigator) await navigator.serviceWorker.ready;
  else await new Promise(() => undefined);
};
