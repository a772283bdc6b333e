import { useMutation } from "@tanstack/react-query";
import type { Attempt, Notes } from "../../api/types";
import { useNotingOf } from "./useNotingOf";

/** Notes of an attempt in place of those that hold; what was noted before stays beside them. */
export const useCorrection = (attempt: Attempt, kept: () => void) => {
  const noting = useNotingOf(attempt);
  return useMutation({
    mutationFn: (notes: Notes) =>
      noting("notes", "post", "notes", { based_on: attempt.noted.length - 1, notes }),
    onSuccess: kept,
  });
};
