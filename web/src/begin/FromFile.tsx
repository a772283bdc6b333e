/** A school comes back from the file that it was taken out to. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, ask } from "../api/client";
import { sessionQuery } from "../api/queries";
import { t } from "../words";

interface Props {
  address: string;
  back: () => void;
}

export const FromFile = ({ address, back }: Props) => {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [file, setFile] = useState<File | null>(null);
  const [username, setUsername] = useState("");
  const [password, setPassword] = useState("");
  const begin = useMutation({
    mutationFn: (school: File) => {
      const form = new FormData();
      for (const [name, value] of Object.entries({ key: address, username, password }))
        form.append(name, value);
      form.append("file", school);
      return ask.post("/api/begin/from-file", {
        body: { key: address, username, password, file: "" },
        bodySerializer: () => form,
      });
    },
    onSuccess: (session) => {
      client.setQueryData(sessionQuery.queryKey, session);
      void navigate("/");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (file) begin.mutate(file);
  };
  const wrong = begin.error instanceof ApiError ? begin.error : null;
  const told = (field: string) =>
    wrong?.field === field ? { error: true, helperText: wrong.problem } : {};
  const elsewhere = begin.error && !["username", "password"].includes(wrong?.field ?? "");
  return (
    <Box component="form" onSubmit={submit} sx={{ display: "grid", gap: 2 }}>
      <Typography color="text.secondary">{t("begin.as it was taken out")}</Typography>
      <Button component="label" variant="outlined">
        {file ? file.name : t("begin.choose the file")}
        <input
          type="file"
          accept=".zip,application/zip"
          hidden
          onChange={(e) => setFile(e.target.files?.[0] ?? null)}
        />
      </Button>
      <TextField
        label={t("begin.sign in with")}
        autoComplete="username"
        value={username}
        onChange={(e) => setUsername(e.target.value)}
        required
        {...told("username")}
      />
      <TextField
        type="password"
        label={t("shell.password")}
        autoComplete="new-password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        required
        helperText={t("begin.ten characters")}
        {...told("password")}
      />
      {elsewhere && <Alert severity="error">{begin.error?.message}</Alert>}
      <Box role="status">{begin.isPending && t("begin.reading the file")}</Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button type="submit" variant="contained" disabled={!file} loading={begin.isPending}>
          {t("begin.begin")}
        </Button>
        <Button onClick={back}>{t("begin.without a file")}</Button>
      </Box>
    </Box>
  );
};
