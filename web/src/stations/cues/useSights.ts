/** What is seen at every stop of the plan, and along its way while somebody follows the ribbon. */
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { filmQuery, type planBody, sightsQuery } from "../../api/queries";
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
    // A slider's last picture stands until the next is there; another docket's never does.
    placeholderData: (last, asked) =>
      asked && sameDocket(asked.queryKey[1], docket) ? last : undefined,
    retry: false,
  }).data;

const sameDocket = (asked: ReturnType<typeof planBody>, docket: Docket): boolean =>
  KINDS.every((kind) => asked[kind] === docket[kind].id);

const KINDS = ["vehicle", "seat", "ground", "method", "standard"] as const;

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
