/** What is known of somebody, whether they come, and how they come to sign in. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { added } from "../api/added";
import { ask } from "../api/client";
import { personHistoryQuery, sessionQuery } from "../api/queries";
import type { Person } from "../api/types";
import { CopyField } from "../shell/CopyField";
import { useUndo } from "../shell/Undo";
import { useDates } from "../shell/useDates";
import { useMay } from "../shell/useDocket";
import { ink } from "../theme";
import { named, t } from "../words";
import { RoleField, TEACHERS } from "./RoleField";
import { TheirData } from "./TheirData";

export const LookAfter = ({ person }: { person: Person }) => {
  const client = useQueryClient();
  const offer = useUndo();
  const lead = useMay().lead;
  const me = useQuery(sessionQuery).data?.person;
  const [name, setName] = useState(person.name);
  const [note, setNote] = useState(person.note);
  const [email, setEmail] = useState(person.email);
  const [role, setRole] = useState(person.role);
  const save = useMutation({
    mutationFn: (active: boolean) =>
      ask.put("/api/people/{person_id}", {
        params: { path: { person_id: person.id } },
        body: { name, role, note, email, active },
      }),
    onSuccess: async ({ active }) => {
      if (person.active && !active)
        offer({ said: t("desk.name comes no more", { name }), undo: () => save.mutate(true) });
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
          sx={{ flex: 1, minWidth: 160 }}
        />
        <TextField
          size="small"
          type="email"
          label={t("desk.email")}
          value={email}
          onChange={(e) => setEmail(e.target.value)}
          sx={{ flex: 1, minWidth: 200 }}
        />
        {lead && person.role !== "learner" && (
          <RoleField among={TEACHERS} value={role} choose={setRole} />
        )}
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
      <Before person={person} />
      {person.active && <LinkToSignIn person={person} />}
      {lead && person.role === "learner" && <TheirData person={person} />}
    </Box>
  );
};

/** What was known of them before somebody changed it. */
const Before = ({ person }: { person: Person }) => {
  const dates = useDates();
  const { data = [] } = useQuery(personHistoryQuery(person.id));
  const before = data.slice(1);
  if (before.length === 0) return null;
  return (
    <Box sx={{ fontSize: 13, color: ink.soft }}>
      {before.map((was, i) => (
        <div key={was.at}>
          {t("desk.was until", {
            // Told until when it held: the state after it began then.
            until: dates.stamp(data[i]?.at ?? was.at),
            by: data[i]?.by || t("desk.nobody here"),
            what: [was.name, named(was.role), was.note, was.email].filter(Boolean).join(" · "),
          })}
        </div>
      ))}
    </Box>
  );
};

const LinkToSignIn = ({ person }: { person: Person }) => {
  const dates = useDates();
  const mails = useQuery(sessionQuery).data?.sends_mail;
  const make = useMutation({
    mutationFn: (send: boolean) =>
      ask.post("/api/people/{person_id}/link", {
        params: { path: { person_id: person.id } },
        body: { send },
      }),
  });
  const address = make.data && `${window.location.origin}${make.data.path}`;
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "center" }}>
        <span>
          {person.signs_in_as
            ? t("desk.signs in as", { name: person.signs_in_as })
            : t("desk.never signed in")}
        </span>
        <Button variant="outlined" loading={make.isPending} onClick={() => make.mutate(false)}>
          {person.signs_in_as ? t("desk.link for a new password") : t("desk.link to sign in")}
        </Button>
        {mails && person.email && (
          <Button variant="outlined" loading={make.isPending} onClick={() => make.mutate(true)}>
            {t("desk.send it to", { email: person.email })}
          </Button>
        )}
      </Box>
      {make.error && <Alert severity="error">{make.error.message}</Alert>}
      {make.data?.sent_to && (
        <Alert severity="success">
          {t("desk.sent to", { email: make.data.sent_to, until: dates.moment(make.data.until) })}
        </Alert>
      )}
      {make.data && address && !make.data.sent_to && (
        <>
          <CopyField label={t("desk.their link")} value={address} />
          <Box sx={{ fontSize: 13, color: ink.soft }}>
            {t("desk.link opens once", { until: dates.moment(make.data.until) })}
          </Box>
        </>
      )}
    </Box>
  );
};
