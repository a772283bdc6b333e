/** Out of the way, not gone: one press puts a document away, and one brings it back. */

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Snackbar from "@mui/material/Snackbar";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { added } from "../../api/added";
import { ask } from "../../api/client";
import { useUndo } from "../../shell/Undo";
import { useMay } from "../../shell/useDocket";
import { t } from "../../words";

interface Props {
  document: { id: number; away: boolean };
  name: string;
}

export const PutAway = ({ document, name }: Props) => {
  const client = useQueryClient();
  const offer = useUndo();
  const put = useMutation({
    mutationFn: (away: boolean) =>
      ask.put("/api/documents/{document_id}/away", {
        params: { path: { document_id: document.id } },
        body: { away },
      }),
    onSuccess: async ({ away }) => {
      await added(client, "documents");
      if (away) offer({ said: t("desk.is put away", { name }), undo: () => put.mutate(false) });
    },
  });
  if (!useMay().shape) return null;
  return (
    <>
      <Button
        loading={put.isPending}
        aria-label={
          document.away ? t("desk.bring name back", { name }) : t("desk.put name away", { name })
        }
        onClick={() => put.mutate(!document.away)}
      >
        {document.away ? t("desk.bring back") : t("desk.put away")}
      </Button>
      {put.error && (
        <Snackbar open onClose={() => put.reset()}>
          <Alert severity="error">{put.error.message}</Alert>
        </Snackbar>
      )}
    </>
  );
};
