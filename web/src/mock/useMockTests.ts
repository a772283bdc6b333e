/** A learner's mock tests, newest first, with what was driven of one and is on the way. */

import { onlineManager, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { mockTestsQuery } from "../api/queries";
import { mockTestsWith } from "../device/pending";
import { fetchTest } from "../device/theDay";
import { useUnsent } from "../device/useUnsent";

export const useMockTests = (learner: number) => {
  const client = useQueryClient();
  const tests = useQuery(mockTestsQuery(learner));
  const unsent = useUnsent();
  const there = tests.data;
  // The line may go before the next exercise: from here on nothing of the test is still to fetch.
  useEffect(() => {
    if (there && onlineManager.isOnline())
      void fetchTest(client, learner, there).catch(() => undefined);
  }, [client, learner, there]);
  return { ...tests, data: there && mockTestsWith(there, unsent) };
};
