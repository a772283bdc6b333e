/** A learner of the school, by name. */
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { added } from "../api/added";
import { ask } from "../api/client";
import { t } from "../words";
import { AddForm } from "./AddForm";

export const AddLearner = () => {
  const client = useQueryClient();
  const [name, setName] = useState("");
  const [note, setNote] = useState("");
  const add = useMutation({
    mutationFn: () => ask.post("/api/people", { body: { name, note } }),
    onSuccess: async () => {
      setName("");
      setNote("");
      await added(client, "people");
    },
  });
  return (
    <AddForm action={t("desk.add a learner")} add={add}>
      <TextField
        size="small"
        label={t("desk.learners name")}
        value={name}
        onChange={(e) => setName(e.target.value)}
        required
      />
      <TextField
        size="small"
        label={t("desk.note")}
        value={note}
        onChange={(e) => setNote(e.target.value)}
        sx={{ flex: 1 }}
      />
    </AddForm>
  );
};
