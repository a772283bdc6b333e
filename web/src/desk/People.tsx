/** The school's people; choosing a learner puts them on the docket. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import { useQuery } from "@tanstack/react-query";
import { peopleQuery } from "../api/queries";
import { Failure, Waiting } from "../shell/states";
import { useChangeDocket, useDocket, useRole } from "../shell/useDocket";
import { ink } from "../theme";
import { named, t } from "../words";
import { AddLearner } from "./AddLearner";
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

export default People;
