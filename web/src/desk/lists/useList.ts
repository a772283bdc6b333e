/** Where somebody is in a long list: what they look for, in which order, on which page. */
import { useDeferredValue, useState } from "react";
import { LONG } from "../../api/queries";

export const useList = <Sort extends string>(usual: Sort) => {
  const [search, setSearch] = useState("");
  const [sort, setSort] = useState<Sort>(usual);
  const [away, setAway] = useState(false);
  const [page, setPage] = useState(0);
  // Each keystroke is drawn at once; the list follows when there is time.
  const words = useDeferredValue(search.trim());
  // Another list is read from its beginning.
  const begin = (change: () => void) => {
    change();
    setPage(0);
  };
  return {
    search,
    setSearch: (words: string) => begin(() => setSearch(words)),
    sort,
    setSort: (order: Sort) => begin(() => setSort(order)),
    away,
    setAway: (on: boolean) => begin(() => setAway(on)),
    page,
    setPage,
    pages: (count: number) => Math.ceil(count / LONG),
    asked: { search: words, sort, limit: LONG, offset: page * LONG },
  };
};

export type List<Sort extends string> = ReturnType<typeof useList<Sort>>;
