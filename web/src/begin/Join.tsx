/** By a link from the school somebody chooses how to sign in: at first, or anew. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { ApiError, ask } from "../api/client";
import { sessionQuery } from "../api/queries";
import type { Invitation } from "../api/types";
import { Porch } from "../shell/Porch";
import { Failure, Waiting } from "../shell/states";
import { welcome } from "../shell/useStored";
import { t } from "../words";

interface Link {
  who: string;
  token: string;
}

const invitationQuery = (link: Link) =>
  queryOptions({
    queryKey: ["invitation", link],
    queryFn: ({ signal }) => ask.get("/api/join", { params: { query: link }, signal }),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });

const Join = () => {
  const search = useSearchParams()[0];
  const link = { who: search.get("who") ?? "", token: search.get("token") ?? "" };
  const invitation = useQuery(invitationQuery(link));
  const ranOut = invitation.error instanceof ApiError && invitation.error.status === 410;
  return (
    <Porch>
      {invitation.isPending && <Waiting />}
      {ranOut && <Alert severity="warning">{t("begin.link ran out")}</Alert>}
      {invitation.error && !ranOut && (
        <Failure error={invitation.error} retry={() => void invitation.refetch()} />
      )}
      {invitation.data && <Form link={link} invitation={invitation.data} />}
    </Porch>
  );
};

const Form = ({ link, invitation }: { link: Link; invitation: Invitation }) => {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [username, setUsername] = useState(invitation.signs_in_as);
  const [password, setPassword] = useState("");
  const join = useMutation({
    mutationFn: () => ask.post("/api/join", { body: { ...link, username, password } }),
    onSuccess: (session) => {
      client.removeQueries({ type: "inactive" });
      client.setQueryData(sessionQuery.queryKey, session);
      if (session.person && !invitation.signs_in_as) welcome(session.person.id);
      void navigate("/");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    join.mutate();
  };
  const wrong = join.error instanceof ApiError ? join.error : null;
  const told = (field: string) => (wrong?.field === field ? wrong.problem : undefined);
  return (
    <Box component="form" onSubmit={submit} sx={{ display: "grid", gap: 2 }}>
      <Typography>
        {t("begin.choose how to sign in", { name: invitation.name, school: invitation.school })}
      </Typography>
      <TextField
        label={t("begin.sign in with")}
        value={username}
        onChange={(e) => setUsername(e.target.value)}
        autoComplete="username"
        required
        error={Boolean(told("username"))}
        helperText={told("username")}
      />
      <TextField
        label={t("shell.password")}
        type="password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        autoComplete="new-password"
        required
        error={Boolean(told("password"))}
        helperText={told("password") ?? t("begin.ten characters")}
      />
      {join.error && !told("username") && !told("password") && (
        <Alert severity="error">{wrong?.problem ?? join.error.message}</Alert>
      )}
      <Button type="submit" variant="contained" size="large" loading={join.isPending}>
        {t("shell.sign in")}
      </Button>
    </Box>
  );
};

export default Join;
