/** What is being typed of an attempt, what it comes to, and keeping it: first, or in place of what
 *  was kept before. */

import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, ask } from "../../api/client";
import type { Doubt, Tape, Taped } from "../../api/types";
import type { Shown } from "../../device/pending";
import { useStored } from "../../shell/useStored";
import { NOTHING, READINGS, type TypedReadings, taped } from "./typed";
import { useNotingOf } from "./useNotingOf";

/** Whether the server has it: what it has not, it can say nothing of. */
const isThere = ({ waits }: Shown) => !waits.includes("attempt");

const PATH = "/api/attempts/{attempt_id}";

export const useTaping = (attempt: Shown, readOnly: boolean, kept: () => void) => {
  const noting = useNotingOf(attempt);
  const path = { attempt_id: attempt.id };
  const held: TypedReadings = attempt.readings ? { ...NOTHING, ...attempt.readings } : NOTHING;
  const [draft, setDraft, forget] = useStored<TypedReadings | null>(`tape/${attempt.id}`, null);
  const [why, setWhy, forgetWhy] = useStored(`why/${attempt.id}`, "");
  const typed = draft ?? held;
  const readings = taped(typed);
  const correcting = draft !== null && attempt.readings !== null;
  const preview = useQuery({
    queryKey: ["tape", attempt.id, readings],
    queryFn: async ({ signal }) =>
      (await ask.post(`${PATH}/preview`, {
        params: { path },
        body: readings as Taped,
        signal,
      })) as Tape,
    enabled: readings !== null && draft !== null && !readOnly && isThere(attempt),
    retry: false,
  });
  const doubts = useDoubts(attempt, draft);
  // Where nobody answers, nobody has said that it cannot be: it is kept, and judged once it is sent.
  const wrong =
    preview.error instanceof ApiError && preview.error.status !== 422 ? null : preview.error;
  const discard = () => {
    forget();
    forgetWhy();
  };
  const save = useMutation({
    mutationFn: () =>
      noting("readings", "put", "readings", {
        ...(readings as Taped),
        based_on: attempt.tapings.length,
        why,
      }),
    onSuccess: () => {
      // It stays in view, even where another one has not been taped yet.
      kept();
      discard();
    },
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
      wrong === null &&
      doubts.open.length === 0 &&
      (!correcting || why.trim() !== ""),
    save,
    // What cannot be is told beside its own name already.
    error: save.error ?? (draft && doubts.open.every((one) => one.possible) ? wrong : null),
  };
};

/** What is to be asked about readings that are being typed, until somebody says that it is so. */
const useDoubts = (attempt: Shown, typed: TypedReadings | null) => {
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
    enabled: isThere(attempt) && READINGS.some((name) => metres[name] !== null),
    retry: false,
  });
  const told = ({ reading }: Doubt) => `${reading} ${metres[reading]}`;
  return {
    open: (asked.data ?? []).filter((one) => !one.possible || !so.includes(told(one))),
    itIsSo: (one: Doubt) => setSo([...so, told(one)]),
  };
};

/** A second person's tape of the same finish: typed without the first in sight. */
export const useSecondTape = (attempt: Shown) => {
  const noting = useNotingOf(attempt);
  const [typed, setTyped, forget] = useStored<TypedReadings | null>(`beside/${attempt.id}`, null);
  const readings = typed && taped(typed);
  const doubts = useDoubts(attempt, typed);
  const save = useMutation({
    mutationFn: () => noting("second tape", "put", "beside", readings as Taped),
    onSuccess: forget,
  });
  return { typed, setTyped, begin: () => setTyped(NOTHING), forget, readings, doubts, save };
};
