/** Documents of one kind: looked for, ordered, by pages, and those put away where asked for. */

import Paper from "@mui/material/Paper";
import { useQuery } from "@tanstack/react-query";
import { Fragment, type ReactNode } from "react";
import { documentsQuery, usesQuery } from "../../api/queries";
import type { Entry, Kind, Use } from "../../api/types";
import { Failure, Waiting } from "../../shell/states";
import { useMay } from "../../shell/useDocket";
import { t } from "../../words";
import { ListTools } from "./ListTools";
import { Pages } from "./Pages";
import { useList } from "./useList";

const SORTS = ["name", "changed", "oldest"] as const;

/** One of the list's documents, as its card shows it. */
export type Used<K extends Kind> = { [kind in K]: Entry<K> } & { use: Use | undefined };

interface Props<K extends Kind> {
  kind: K;
  none: string;
  /** use : who drives by it, once that is known */
  children: (entry: Entry<K>, use: Use | undefined) => ReactNode;
}

export const DocumentList = <K extends Kind>({ kind, none, children }: Props<K>) => {
  const list = useList<(typeof SORTS)[number]>("name");
  const shapes = useMay().shape;
  const documents = useQuery(documentsQuery(kind, { ...list.asked, away: list.away }));
  const { data: uses = [] } = useQuery(usesQuery(documents.data?.items.map((one) => one.id) ?? []));
  const useOf = new Map(uses.map((use) => [use.document_id, use]));
  return (
    <>
      <ListTools list={list} sorts={SORTS} {...(shapes && { away: t("desk.put away things") })} />
      {documents.error && (
        <Failure error={documents.error} retry={() => void documents.refetch()} />
      )}
      {documents.isPending && <Waiting />}
      {documents.data?.items.map((entry) => (
        <Fragment key={entry.id}>{children(entry, useOf.get(entry.id))}</Fragment>
      ))}
      {documents.data && (
        <Pages
          list={list}
          count={documents.data.count}
          none={list.away ? t("desk.nothing put away") : none}
        />
      )}
    </>
  );
};

/** One of them, on a card of its own. */
export const Card = ({ children }: { children: ReactNode }) => (
  <Paper sx={{ p: 2, display: "grid", gap: 1 }}>{children}</Paper>
);
