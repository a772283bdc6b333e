/** Somebody of the school, by name: a learner, or whom else the lead adds. */
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { added } from "../api/added";
import { ask } from "../api/client";
import type { Role } from "../api/types";
import { useMay } from "../shell/useDocket";
import { t } from "../words";
import { AddForm } from "./AddForm";
import { RoleField, TEACHERS } from "./RoleField";

/** learner : whether nobody else is asked for */
export const AddPerson = ({ learner = false }: { learner?: boolean }) => {
  const client = useQueryClient();
  const any = useMay().lead && !learner;
  const [name, setName] = useState("");
  const [note, setNote] = useState("");
  const [email, setEmail] = useState("");
  const [role, setRole] = useState<Role>("learner");
  const add = useMutation({
    mutationFn: () => ask.post("/api/people", { body: { name, note, email, role } }),
    onSuccess: async () => {
      setName("");
      setNote("");
      setEmail("");
      await added(client, "people");
    },
  });
  return (
    <AddForm action={any ? t("desk.add a person") : t("desk.add a learner")} add={add}>
      <TextField
        size="small"
        label={any ? t("desk.persons name") : t("desk.learners name")}
        value={name}
        onChange={(e) => setName(e.target.value)}
        required
      />
      {any && <RoleField among={["learner", ...TEACHERS]} value={role} choose={setRole} />}
      <TextField
        size="small"
        label={t("desk.note")}
        value={note}
        onChange={(e) => setNote(e.target.value)}
        sx={{ flex: 1, minWidth: 160 }}
      />
      {!learner && (
        <TextField
          size="small"
          type="email"
          label={t("desk.email")}
          value={email}
          onChange={(e) => setEmail(e.target.value)}
        />
      )}
    </AddForm>
  );
};
