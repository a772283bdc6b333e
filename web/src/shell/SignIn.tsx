import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { ask } from "../api/client";
import { endedQuery, sessionQuery } from "../api/queries";
import { lastHere } from "../device/fetched";
import { hasComeIn } from "../device/leaving";
import { t } from "../words";
import { prepare } from "./opening";
import { Porch } from "./Porch";

export const SignIn = () => {
  const client = useQueryClient();
  const { data: ended } = useQuery(endedQuery);
  const before = ended ?? lastHere();
  const [username, setUsername] = useState("");
  const [password, setPassword] = useState("");
  const open = useMutation({
    mutationFn: async () => {
      const session = await ask.post("/api/session", { body: { username, password } });
      // Somebody else than whose session ended finds nothing of theirs.
      const another = before !== null && before !== session.person?.id;
      if (another) client.removeQueries({ type: "inactive" });
      await prepare(client, session);
      return session;
    },
    onSuccess: (session) => {
      hasComeIn();
      client.setQueryData(endedQuery.queryKey, null);
      client.setQueryData(sessionQuery.queryKey, session);
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    open.mutate();
  };
  return (
    <Porch>
      <Box component="form" onSubmit={submit} sx={{ display: "grid", gap: 2 }}>
        <Typography color="text.secondary">{t("shell.the cue this driver will")}</Typography>
        {before !== null && <Alert severity="info">{t("shell.the session ended")}</Alert>}
        {open.error && <Alert severity="error">{open.error.message}</Alert>}
        <TextField
          label={t("shell.name")}
          value={username}
          onChange={(e) => setUsername(e.target.value)}
          autoComplete="username"
          autoFocus
          required
        />
        <TextField
          label={t("shell.password")}
          type="password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          autoComplete="current-password"
          required
        />
        <Button type="submit" variant="contained" size="large" loading={open.isPending}>
          {t("shell.sign in")}
        </Button>
      </Box>
    </Porch>
  );
};
