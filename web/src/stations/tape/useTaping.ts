/** What is being typed of an attempt, what it comes to, and keeping it: first, or in place of what
 *  was kept before. */

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../../api/client";
import type { Attempt, Doubt, Tape, Taped } from "../../api/types";
import { useStored } from "../../shell/useStored";
import { NOTHING, READINGS, type TypedReadings, taped } from "./typed";

const PATH = "/api/attempts/{attempt_id}";

/** After readings were kept, everything that is told from them. */
export const useRefresh = () => {
  const client = useQueryClient();
  return async () => {
    for (const key of ["attempts", "docket", "sets"])
      await client.invalidateQueries({ queryKey: [key] });
  };
};

export const useTaping = (attempt: Attempt, readOnly: boolean, kept: () => void) => {
  const refresh = useRefresh();
  const path = { attempt_id: attempt.id };
  const held: TypedReadings = attempt.readings ? { ...NOTHING, ...attempt.readings } : NOTHING;
  const [draft, setDraft, forget] = useStored<TypedReadings | null>(`tape/${attempt.id}`, null);
  const [why, setWhy, forgetWhy] = useStored(`why/${attempt.id}`, "");
  const typed = draft ?? held;
  const readings = taped(typed);
  const correcting = draft !== null && attempt.tape !== null;
  const preview = useQuery({
    queryKey: ["tape", attempt.id, readings],
    queryFn: async ({ signal }) =>
      (await ask.post(`${PATH}/preview`, {
        params: { path },
        body: readings as Taped,
        signal,
      })) as Tape,
    enabled: readings !== null && draft !== null && !readOnly,
    retry: false,
  });
  const doubts = useDoubts(attempt, draft);
  const discard = () => {
    forget();
    forgetWhy();
  };
  const save = useMutation({
    mutationFn: () =>
      ask.put(`${PATH}/readings`, {
        params: { path },
        body: { ...(readings as Taped), based_on: attempt.tapings.length, why },
      }),
    onSuccess: async () => {
      // It stays in view, even where another one has not been taped yet.
      kept();
      await refresh();
      discard();
    },
    // What somebody else put in meanwhile is shown; what was typed here stays to be kept after all.
    onError: refresh,
  });
  return {
    typed,
    readings,
    setDraft,
    draft,
    /** Whether what is typed would take the place of what was kept. */
    correcting,
    why,
    setWhy,
    discard,
    tape: draft ? preview.data : attempt.tape,
    doubts,
    canBeKept:
      readings !== null &&
      draft !== null &&
      !preview.isError &&
      doubts.open.length === 0 &&
      (!correcting || why.trim() !== ""),
    save,
    // What cannot be is told beside its own name already.
    error: save.error ?? (draft && doubts.open.every((one) => one.possible) ? preview.error : null),
  };
};

/** What is to be asked about readings that are being typed, until somebody says that it is so. */
const useDoubts = (attempt: Attempt, typed: TypedReadings | null) => {
  const [so, setSo] = useState<readonly string[]>([]);
  const { by_eye: _, ...metres } = typed ?? NOTHING;
  const asked = useQuery({
    queryKey: ["doubts", attempt.id, metres],
    queryFn: ({ signal }) =>
      ask.post(`${PATH}/doubts`, {
        params: { path: { attempt_id: attempt.id } },
        body: metres,
        signal,
      }),
    enabled: READINGS.some((name) => metres[name] !== null),
    retry: false,
  });
  const told = ({ reading }: Doubt) => `${reading} ${metres[reading]}`;
  return {
    open: (asked.data ?? []).filter((one) => !one.possible || !so.includes(told(one))),
    itIsSo: (one: Doubt) => setSo([...so, told(one)]),
  };
};

/** A second person's tape of the same finish: typed without the first in sight. */
export const useSecondTape = (attempt: Attempt) => {
  const refresh = useRefresh();
  const [typed, setTyped, forget] = useStored<TypedReadings | null>(`beside/${attempt.id}`, null);
  const readings = typed && taped(typed);
  const doubts = useDoubts(attempt, typed);
  const save = useMutation({
    mutationFn: () =>
      ask.put(`${PATH}/beside`, {
        params: { path: { attempt_id: attempt.id } },
        body: readings as Taped,
      }),
    onSuccess: async () => {
      await refresh();
      forget();
    },
  });
  return { typed, setTyped, begin: () => setTyped(NOTHING), forget, readings, doubts, save };
};
