import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ask } from "../../api/client";
import type { Attempt, Notes } from "../../api/types";

/** Notes of an attempt in place of those that hold; what was noted before stays beside them. */
export const useCorrection = (attempt: Attempt, kept: () => void) => {
  const client = useQueryClient();
  const refresh = async () => {
    for (const key of ["attempts", "sets"]) await client.invalidateQueries({ queryKey: [key] });
  };
  return useMutation({
    mutationFn: (notes: Notes) =>
      ask.post("/api/attempts/{attempt_id}/notes", {
        params: { path: { attempt_id: attempt.id } },
        body: { based_on: attempt.noted.length - 1, notes },
      }),
    onSuccess: async () => {
      await refresh();
      kept();
    },
    // What somebody else noted meanwhile is shown; what was typed here stays to be kept after all.
    onError: refresh,
  });
};
