/** Editing a document: a draft that survives, an undo, and a save that makes a new revision. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { ask } from "../api/client";
import type { Revision } from "../api/types";
import { useStored } from "./useStored";

interface Revised<Body> extends Pick<Revision, "id" | "document_id" | "number"> {
  body: Body;
}

export const useRevise = <Body extends Revision["body"]>(revision: Revised<Body>) => {
  const client = useQueryClient();
  const key = `fair-corner/draft/${revision.id}`;
  const [history, setHistory, forget] = useStored<Body[]>(key, []);
  // What was edited last, also between an edit and the drawing that follows it.
  const latest = useRef(history);
  latest.current = history;
  const bodyIn = (kept: Body[]) => kept.at(-1) ?? revision.body;
  const body = bodyIn(history);
  const keep = (next: Body[]) => {
    save.reset();
    latest.current = next;
    setHistory(next);
  };
  // A change that the core is still working out is waited for, and saved with the rest.
  const scope = { id: key };
  const save = useMutation({
    scope,
    mutationFn: () =>
      ask.post("/api/documents/{document_id}/revisions", {
        params: { path: { document_id: revision.document_id } },
        body: {
          based_on: revision.number,
          body: bodyIn(latest.current),
        },
      }),
    onSuccess: async () => {
      forget();
      await client.invalidateQueries({ queryKey: ["docket"] });
      await client.invalidateQueries({ queryKey: ["documents"] });
    },
  });
  const clear = () => {
    save.reset();
    forget();
  };
  return {
    body,
    scope,
    changed: history.length > 0,
    latest: () => bodyIn(latest.current),
    edit: (next: Body) => keep([...latest.current.slice(-50), next]),
    undo: () => keep(latest.current.slice(0, -1)),
    clear,
    save,
  };
};
