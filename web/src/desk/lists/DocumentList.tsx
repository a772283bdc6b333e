/** Documents of one kind: looked for, ordered, by pages, and those put away where asked for. */

import Paper from "@mui/material/Paper";
import { useQuery } from "@tanstack/react-query";
import { Fragment, type ReactNode } from "react";
import { documentsQuery } from "../../api/queries";
import type { Entry, Kind } from "../../api/types";
import { Failure, Waiting } from "../../shell/states";
import { useMay } from "../../shell/useDocket";
import { t } from "../../words";
import { ListTools } from "./ListTools";
import { Pages } from "./Pages";
import { useList } from "./useList";

const SORTS = ["name", "changed", "oldest"] as const;

interface Props<K extends Kind> {
  kind: K;
  none: string;
  children: (entry: Entry<K>) => ReactNode;
}

export const DocumentList = <K extends Kind>({ kind, none, children }: Props<K>) => {
  const list = useList<(typeof SORTS)[number]>("name");
  const shapes = useMay().shape;
  const documents = useQuery(documentsQuery(kind, { ...list.asked, away: list.away }));
  return (
    <>
      <ListTools list={list} sorts={SORTS} {...(shapes && { away: t("desk.put away things") })} />
      {documents.error && (
        <Failure error={documents.error} retry={() => void documents.refetch()} />
      )}
      {documents.isPending && <Waiting />}
      {documents.data?.items.map((entry) => (
        <Fragment key={entry.id}>{children(entry)}</Fragment>
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
