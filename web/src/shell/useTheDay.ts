/** Keeps the day's lessons on the device, and knows since when they have been. */

import { onlineManager, useQuery, useQueryClient, useSuspenseQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { sessionQuery } from "../api/queries";
import { isInstalled } from "../device/installed";
import { fetchTheDay, type TheDay, theDayKey } from "../device/theDay";
import { useDocket, useMay } from "./useDocket";

/** A plan that was changed is on the device soon after, ms. */
const AGAIN = 3 * 60_000;
/** And what failed sooner than that, ms. */
const SOON = 20_000;

export const useKeepTheDay = (): void => {
  const docket = useDocket();
  const teaches = useMay().teach;
  const person = useSuspenseQuery(sessionQuery).data.person?.id ?? 0;
  const mine = teaches ? person : null;
  const client = useQueryClient();
  useEffect(() => {
    let over = false;
    let busy = false;
    let soon: ReturnType<typeof setTimeout> | undefined;
    const fetch = async () => {
      if (over || busy || !onlineManager.isOnline()) return;
      busy = true;
      await fetchTheDay(client, docket, mine).catch(() => {
        clearTimeout(soon);
        soon = setTimeout(fetch, SOON);
      });
      busy = false;
    };
    const line = onlineManager.subscribe((online) => online && void fetch());
    const timer = setInterval(fetch, AGAIN);
    void isInstalled().then(fetch);
    return () => {
      over = true;
      line();
      clearInterval(timer);
      clearTimeout(soon);
    };
  }, [client, docket, mine]);
};

/** The day as it is on this device; undefined where it is not. */
export const useTheDay = (): TheDay | undefined =>
  useQuery<TheDay>({ queryKey: theDayKey, enabled: false }).data;
