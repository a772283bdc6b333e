/** The school's people; choosing a learner puts them on the docket. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { peopleQuery, sessionQuery } from "../api/queries";
import type { Person, Standing as Stands } from "../api/types";
import { Failure, Waiting } from "../shell/states";
import { useChangeDocket, useDocket, useMay } from "../shell/useDocket";
import { ink } from "../theme";
import { named, t } from "../words";
import { AddPerson } from "./AddPerson";
import { ChangePassword } from "./ChangePassword";
import { Desk } from "./Desk";
import { LookAfter } from "./LookAfter";
import { ListTools } from "./lists/ListTools";
import { Pages } from "./lists/Pages";
import { useList } from "./lists/useList";
import { Standing, useStandings } from "./Standing";
import { TheirData } from "./TheirData";

const SORTS = ["name", "-name", "role", "newest"] as const;

const People = () => {
  const list = useList<(typeof SORTS)[number]>("name");
  const may = useMay();
  const me = useQuery(sessionQuery).data?.person;
  const people = useQuery(peopleQuery({ ...list.asked, ...(!list.away && { active: true }) }));
  const learners = people.data?.items.filter((one) => one.role === "learner") ?? [];
  const standings = useStandings(learners.map((one) => one.id));
  return (
    <Desk title={t("desk.people")}>
      {may.teach && <ListTools list={list} sorts={SORTS} away={t("desk.also who comes no more")} />}
      {people.error && <Failure error={people.error} retry={() => void people.refetch()} />}
      {people.isPending && <Waiting />}
      {people.data && people.data.items.length > 0 && (
        <Paper component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
          {people.data.items.map((person) => (
            <Row key={person.id} person={person} stands={standings.get(person.id)} />
          ))}
        </Paper>
      )}
      {people.data && (
        <Pages list={list} count={people.data.count} none={t("desk.nobody here yet")} />
      )}
      {may.shape && <AddPerson />}
      <ChangePassword />
      {!may.teach && me && <TheirData person={me} />}
    </Desk>
  );
};

interface RowProps {
  person: Person;
  stands: Stands | undefined;
}

const Row = ({ person, stands }: RowProps) => {
  const docket = useDocket();
  const change = useChangeDocket();
  const may = useMay();
  const [open, setOpen] = useState(false);
  const learner = person.role === "learner";
  const looksAfter = may.lead || (may.shape && learner);
  return (
    <Box component="li" sx={{ px: 2, py: 0.5, borderBottom: `1px solid ${ink.line}` }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, minHeight: 44 }}>
        <Box sx={{ width: 180, fontWeight: 700 }}>{person.name}</Box>
        <Box sx={{ width: 140 }}>{named(person.role)}</Box>
        <Box sx={{ flex: 1, minWidth: 160, color: ink.soft }}>
          {person.active ? person.note : t("desk.no longer comes")}
        </Box>
        {learner && person.id === docket.learner.id && <span>{t("desk.on the docket")}</span>}
        {learner && person.active && person.id !== docket.learner.id && (
          <Button onClick={() => change({ learner: person.id })}>
            {t("desk.put on the docket")}
          </Button>
        )}
        {looksAfter && (
          <Button aria-expanded={open} onClick={() => setOpen(!open)}>
            {t("desk.look after")}
          </Button>
        )}
      </Box>
      {stands && (
        <Box sx={{ fontSize: 14, pb: 0.75 }}>
          <Standing stands={stands} next />
        </Box>
      )}
      {open && <LookAfter person={person} />}
    </Box>
  );
};

export default People;
