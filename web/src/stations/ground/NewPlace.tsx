/** A new place to practise, laid out with ordinary measures and changed from there. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { added } from "../../api/added";
import { ask } from "../../api/client";
import type { GoalKind } from "../../api/types";
import { PLACES } from "../../places";
import { useChangeDocket, useSchool } from "../../shell/useDocket";
import { t } from "../../words";

export const NewPlace = () => {
  const client = useQueryClient();
  const { keeps } = useSchool();
  const change = useChangeDocket();
  const [name, setName] = useState("");
  const make = useMutation({
    mutationFn: async (kind: GoalKind) => {
      const side = keeps === "right" ? ("right" as const) : ("left" as const);
      const laid = await ask.post("/api/grounds/new", { body: { name: name.trim(), kind, side } });
      return await ask.post("/api/documents", {
        body: { kind: "ground", body: laid.body },
      });
    },
    onSuccess: async (made) => {
      setName("");
      await added(client, "documents");
      change({ ground: made.document_id }, ["method", "standard"]);
    },
  });
  return (
    <Paper
      component="section"
      aria-label={t("ground.a new place")}
      sx={{ p: 2, display: "grid", gap: 1 }}
    >
      <TextField
        size="small"
        label={t("ground.name of a new place")}
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {(Object.keys(PLACES) as GoalKind[]).map((kind) => (
          <Button
            key={kind}
            variant="outlined"
            sx={{ flex: "1 0 auto" }}
            disabled={!name.trim() || make.isPending}
            onClick={() => make.mutate(kind)}
          >
            {t(PLACES[kind].fresh)}
          </Button>
        ))}
      </Box>
      {make.error && <Alert severity="error">{make.error.message}</Alert>}
    </Paper>
  );
};
