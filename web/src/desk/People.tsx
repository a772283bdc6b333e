/** The school's people; choosing a learner puts them on the docket. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { added } from "../api/added";
import { ask } from "../api/client";
import { peopleQuery, sessionQuery } from "../api/queries";
import type { Person } from "../api/types";
import { Failure, Waiting } from "../shell/states";
import { useDates } from "../shell/useDates";
import { useChangeDocket, useDocket, useRole } from "../shell/useDocket";
import { ink } from "../theme";
import { named, t } from "../words";
import { AddPerson } from "./AddPerson";
import { ChangePassword } from "./ChangePassword";
import { Desk } from "./Desk";

const People = () => {
  const people = useQuery(peopleQuery);
  const teaches = useRole() !== "learner";
  if (people.error) return <Failure error={people.error} retry={() => void people.refetch()} />;
  if (!people.data) return <Waiting />;
  return (
    <Desk title={t("desk.people")}>
      <Paper component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {people.data.map((person) => (
          <Row key={person.id} person={person} />
        ))}
      </Paper>
      {teaches && <AddPerson />}
      <ChangePassword />
    </Desk>
  );
};

const Row = ({ person }: { person: Person }) => {
  const docket = useDocket();
  const change = useChangeDocket();
  const role = useRole();
  const [open, setOpen] = useState(false);
  const learner = person.role === "learner";
  const looksAfter = role === "lead" || (role === "instructor" && learner);
  return (
    <Box component="li" sx={{ px: 2, py: 0.5, borderBottom: `1px solid ${ink.line}` }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, minHeight: 44 }}>
        <Box sx={{ width: 180, fontWeight: 700 }}>{person.name}</Box>
        <Box sx={{ width: 110 }}>{named(person.role)}</Box>
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
      {open && <LookAfter person={person} />}
    </Box>
  );
};

const LookAfter = ({ person }: { person: Person }) => {
  const client = useQueryClient();
  const me = useQuery(sessionQuery).data?.person;
  const [name, setName] = useState(person.name);
  const [note, setNote] = useState(person.note);
  const save = useMutation({
    mutationFn: (active: boolean) =>
      ask.put("/api/people/{person_id}", {
        params: { path: { person_id: person.id } },
        body: { name, note, active },
      }),
    onSuccess: async () => {
      await added(client, "people");
      await client.invalidateQueries({ queryKey: ["session"] });
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save.mutate(person.active);
  };
  return (
    <Box sx={{ display: "grid", gap: 1.5, pt: 1, pb: 1.5 }}>
      <Box
        component="form"
        aria-label={person.name}
        onSubmit={submit}
        sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "center" }}
      >
        <TextField
          size="small"
          label={t("desk.persons name")}
          value={name}
          onChange={(e) => setName(e.target.value)}
          required
        />
        <TextField
          size="small"
          label={t("desk.note")}
          value={note}
          onChange={(e) => setNote(e.target.value)}
          sx={{ flex: 1, minWidth: 200 }}
        />
        <Button type="submit" variant="outlined" disabled={save.isPending}>
          {t("desk.save")}
        </Button>
        {person.id !== me?.id && (
          <Button disabled={save.isPending} onClick={() => save.mutate(!person.active)}>
            {person.active ? t("desk.comes no more") : t("desk.comes again")}
          </Button>
        )}
      </Box>
      {save.error && <Alert severity="error">{save.error.message}</Alert>}
      {person.active && <LinkToSignIn person={person} />}
    </Box>
  );
};

const LinkToSignIn = ({ person }: { person: Person }) => {
  const dates = useDates();
  const make = useMutation({
    mutationFn: () =>
      ask.post("/api/people/{person_id}/link", { params: { path: { person_id: person.id } } }),
  });
  const [copied, setCopied] = useState(false);
  const address = make.data && `${window.location.origin}${make.data.path}`;
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "center" }}>
        <span>
          {person.signs_in_as
            ? t("desk.signs in as", { name: person.signs_in_as })
            : t("desk.never signed in")}
        </span>
        <Button
          variant="outlined"
          loading={make.isPending}
          onClick={() => {
            setCopied(false);
            make.mutate();
          }}
        >
          {person.signs_in_as ? t("desk.link for a new password") : t("desk.link to sign in")}
        </Button>
      </Box>
      {make.error && <Alert severity="error">{make.error.message}</Alert>}
      {make.data && address && (
        <>
          <Box sx={{ display: "flex", gap: 1 }}>
            <TextField
              size="small"
              label={t("desk.their link")}
              value={address}
              sx={{ flex: 1 }}
              slotProps={{ input: { readOnly: true } }}
              onFocus={(e) => e.target.select()}
            />
            <Button
              onClick={() =>
                void navigator.clipboard.writeText(address).then(() => setCopied(true))
              }
            >
              {copied ? t("desk.copied") : t("desk.copy")}
            </Button>
          </Box>
          <Box sx={{ fontSize: 13, color: ink.soft }}>
            {t("desk.link opens once", { until: dates.moment(make.data.until) })}
          </Box>
        </>
      )}
    </Box>
  );
};

export default People;
