import { useSuspenseQuery } from "@tanstack/react-query";
import { vocabularyQuery } from "../api/queries";

/** Every name that a method or standard may use, as the core has it. */
export const useVocabulary = () => useSuspenseQuery(vocabularyQuery).data;
