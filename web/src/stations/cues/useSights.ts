/** What is seen at every stop of the plan, and along its way while somebody follows the ribbon. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { filmQuery, sightsQuery } from "../../api/queries";
import type { Docket, Frame, MethodBody, Metres, PlanOptions, Sights } from "../../api/types";
import { frameAt } from "../../drawing/film";

/** Asked for once the plan has settled: a slider on its way is not held up by pictures. */
export const useSights = (
  docket: Docket,
  options: PlanOptions,
  changed: MethodBody | undefined,
  settled: boolean,
): Sights | undefined =>
  useQuery({
    ...sightsQuery(docket, options, changed),
    enabled: settled,
    placeholderData: keepPreviousData,
    retry: false,
  }).data;

/** The picture of a call's cue after so many metres; null where nobody follows, or it is not there yet. */
export const useMoved = (
  docket: Docket,
  options: PlanOptions,
  changed: MethodBody | undefined,
  active: number,
  s: Metres | null,
): Frame | null => {
  const film = useQuery({
    ...filmQuery(docket, options, changed, active),
    enabled: s !== null,
    retry: false,
  }).data;
  return useMemo(() => (film && s !== null ? frameAt(film, s) : null), [film, s]);
};
