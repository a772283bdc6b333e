/** What is seen at every stop of the plan, and along its way while somebody follows the ribbon. */
import { useQuery } from "@tanstack/react-query";
import { filmQuery, type planBody, sightsQuery } from "../../api/queries";
import type { Docket, Frame, MethodBody, PlanOptions, Sights } from "../../api/types";

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

/** The way as it is seen where a call's cue stands; nothing as long as nobody follows the ribbon. */
export const useFilm = (
  docket: Docket,
  options: PlanOptions,
  changed: MethodBody | undefined,
  active: number,
  followed: boolean,
): readonly Frame[] | undefined =>
  useQuery({
    ...filmQuery(docket, options, changed, active),
    enabled: followed,
    retry: false,
  }).data;
