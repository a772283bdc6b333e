import { useSuspenseQuery } from "@tanstack/react-query";
import { vocabularyQuery } from "../api/queries";
import type { GoalKind } from "../api/types";

/** Every name that a method or standard may use, as the core has it. */
export const useVocabulary = () => useSuspenseQuery(vocabularyQuery).data;

/** The kind of place at which a method ends, or that a standard is for. */
export const useGoalOf = () => {
  const { manoeuvres } = useVocabulary();
  return ({ manoeuvre }: { manoeuvre: string }): GoalKind =>
    manoeuvres[manoeuvre]?.goal ?? "kerbside";
};
