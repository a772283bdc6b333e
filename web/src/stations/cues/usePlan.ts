/** The plan of what is set: asked for in turn, so that a slider on its way never waits in a queue. */
import { hashKey, keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { planQuery } from "../../api/queries";
import type { PlanOptions } from "../../api/types";

type Asked = Parameters<typeof planQuery>;

const same = (one: Asked, other: Asked): boolean =>
  hashKey(planQuery(...one).queryKey) === hashKey(planQuery(...other).queryKey);

export const usePlan = (...wanted: Asked) => {
  const client = useQueryClient();
  const [asked, setAsked] = useState(wanted);
  const plan = useQuery({
    ...planQuery(...asked),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const current = same(asked, wanted);
  // What was set meanwhile is asked for when the answer to what was set before is there.
  if (!current && !plan.isFetching) setAsked(wanted);
  const settled = current && !plan.isFetching;
  const [docket, , changed] = wanted;
  return {
    plan,
    options: asked[1],
    settled,
    /** Asks for what is about to be set, so that the answer is under way while it is drawn. */
    ahead: (options: PlanOptions) => {
      if (settled) void client.prefetchQuery(planQuery(docket, options, changed));
    },
  };
};
