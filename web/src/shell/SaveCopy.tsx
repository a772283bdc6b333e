/** A document as it stands, kept as another one under a name of its own. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { added } from "../api/added";
import { ask } from "../api/client";
import type { Kind, Revision } from "../api/types";
import { t } from "../words";

interface Props {
  kind: Kind;
  body: Revision["body"];
  kept: (made: { document_id: number }) => void;
}

export const SaveCopy = ({ kind, body, kept }: Props) => {
  const client = useQueryClient();
  const [name, setName] = useState("");
  const copy = useMutation({
    mutationFn: () =>
      ask.post("/api/documents", { body: { kind, body: { ...body, name: name.trim() } } }),
    onSuccess: async (made) => {
      setName("");
      await added(client, "documents");
      kept(made);
    },
  });
  return (
    <Box sx={{ display: "grid", gap: 1, my: 1 }}>
      <Box sx={{ display: "flex", gap: 1 }}>
        <TextField
          size="small"
          label={t("cues.name of a copy")}
          value={name}
          onChange={(e) => setName(e.target.value)}
          sx={{ flex: 1 }}
        />
        <Button disabled={!name.trim()} loading={copy.isPending} onClick={() => copy.mutate()}>
          {t("cues.keep a copy")}
        </Button>
      </Box>
      {copy.error && <Alert severity="error">{copy.error.message}</Alert>}
    </Box>
  );
};
