/** Editing a document: a draft that survives, an undo, and a save that makes a new revision. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { ask } from "../api/client";
import type { Revision } from "../api/types";
import { useStored } from "./useStored";

interface Revised<Body> extends Pick<Revision, "id" | "document_id" | "number"> {
  body: Body;
}

/** What somebody makes of a document: every state of it since the revision it began from. */
interface Edit<Body> {
  basedOn: number;
  history: Body[];
}

export const useRevise = <Body extends Revision["body"]>(revision: Revised<Body>) => {
  const client = useQueryClient();
  // Drafts were kept by revision once: what was begun then is gone on with.
  const [early, , forgetEarly] = useStored<Body[]>(`draft/${revision.id}`, []);
  const fresh: Edit<Body> = { basedOn: revision.number, history: early };
  const key = `edit/${revision.document_id}`;
  const [stored, setStored, forgetStored] = useStored<Edit<Body> | null>(key, null);
  const [binned, bin, emptyBin] = useStored<Edit<Body> | null>(`discarded/${key}`, null);
  const edited = stored ?? fresh;
  // What was edited last, also between an edit and the drawing that follows it.
  const latest = useRef(edited);
  latest.current = edited;
  const bodyIn = (edit: Edit<Body>) => edit.history.at(-1) ?? revision.body;
  const keep = (next: Edit<Body>) => {
    save.reset();
    latest.current = next;
    if (next.history.length > 0) setStored(next);
    else forget();
  };
  const forget = () => {
    forgetStored();
    forgetEarly();
  };
  // A change that the core is still working out is waited for, and saved with the rest.
  const scope = { id: key };
  const refresh = async () => {
    await client.invalidateQueries({ queryKey: ["docket"] });
    await client.invalidateQueries({ queryKey: ["documents"] });
  };
  const save = useMutation({
    scope,
    mutationFn: () =>
      ask.post("/api/documents/{document_id}/revisions", {
        params: { path: { document_id: revision.document_id } },
        body: {
          based_on: latest.current.basedOn,
          body: bodyIn(latest.current),
        },
      }),
    onSuccess: async () => {
      forget();
      emptyBin();
      await refresh();
    },
    // Somebody else may have been quicker: what they saved is fetched, to be brought together.
    onError: refresh,
  });
  const clear = () => {
    save.reset();
    if (latest.current.history.length > 0) bin(latest.current);
    forget();
  };
  const changed = edited.history.length > 0;
  const begun = changed ? edited.basedOn : revision.number;
  return {
    body: bodyIn(edited),
    scope,
    changed,
    /** The revision the draft began from, where there is a newer one by now. */
    behind: begun < revision.number ? begun : null,
    latest: () => bodyIn(latest.current),
    edit: (next: Body) =>
      keep({ basedOn: begun, history: [...latest.current.history.slice(-50), next] }),
    undo: () => keep({ ...latest.current, history: latest.current.history.slice(0, -1) }),
    clear,
    /** Brings back what was discarded last; null where nothing was. */
    restore:
      binned && !changed
        ? () => {
            keep(binned);
            emptyBin();
          }
        : null,
    /** Goes on from the newest revision with what was made of both. */
    settle: (both: Body) => keep({ basedOn: revision.number, history: [both] }),
    save,
  };
};
