/** The school's people; choosing a learner puts them on the docket. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../api/client";
import { peopleQuery } from "../api/queries";
import { Failure, Waiting } from "../shell/states";
import { useChangeDocket, useDocket, useRole } from "../shell/useDocket";
import { ink } from "../theme";
import { named, t } from "../words";
import { AddForm } from "./AddForm";
import { Desk } from "./Desk";

const People = () => {
  const people = useQuery(peopleQuery);
  const docket = useDocket();
  const change = useChangeDocket();
  const teaches = useRole() !== "learner";
  if (people.error) return <Failure error={people.error} retry={() => void people.refetch()} />;
  if (!people.data) return <Waiting />;
  return (
    <Desk title={t("desk.people")}>
      <Paper>
        {people.data.map((person) => (
          <Box
            key={person.id}
            sx={{
              display: "flex",
              alignItems: "center",
              gap: 2,
              px: 2,
              minHeight: 52,
              borderBottom: `1px solid ${ink.line}`,
            }}
          >
            <Box sx={{ width: 180, fontWeight: 700 }}>{person.name}</Box>
            <Box sx={{ width: 110 }}>{named(person.role)}</Box>
            <Box sx={{ flex: 1, color: ink.soft }}>{person.note}</Box>
            {person.role === "learner" && person.id === docket.learner.id && (
              <span>{t("desk.on the docket")}</span>
            )}
            {person.role === "learner" && person.id !== docket.learner.id && (
              <Button onClick={() => change({ learner: person.id })}>
                {t("desk.put on the docket")}
              </Button>
            )}
          </Box>
        ))}
      </Paper>
      {teaches && <AddLearner />}
    </Desk>
  );
};

const AddLearner = () => {
  const client = useQueryClient();
  const [name, setName] = useState("");
  const [note, setNote] = useState("");
  const add = useMutation({
    mutationFn: () => ask.post("/api/people", { body: { name, note } }),
    onSuccess: async () => {
      setName("");
      setNote("");
      await client.invalidateQueries({ queryKey: ["people"] });
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

export default People;
