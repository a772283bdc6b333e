/** Speaks the school's language; until there is a school to ask, the browser's. */
import { queryOptions, useSuspenseQuery } from "@tanstack/react-query";
import { vocabularyQuery } from "../api/queries";
import type { Session } from "../api/types";
import { speak } from "../words";

export const wordsQuery = ({ person, school }: Session) => {
  const locale = school?.locale ?? navigator.language;
  return queryOptions({
    queryKey: ["words", locale, person?.id],
    queryFn: async ({ client }) => {
      const names = person ? (await client.ensureQueryData(vocabularyQuery)).names : {};
      document.documentElement.lang = await speak(locale, names);
      return locale;
    },
    staleTime: Number.POSITIVE_INFINITY,
    // What it needs of the server is on the device, where anything is.
    networkMode: "always",
  });
};

export const useLanguage = (session: Session) => {
  useSuspenseQuery(wordsQuery(session));
};
