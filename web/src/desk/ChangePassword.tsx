/** One's own password, by whoever knows the one it had. */
import Alert from "@mui/material/Alert";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../api/client";
import { t } from "../words";
import { AddForm } from "./AddForm";

export const ChangePassword = () => {
  const [now, setNow] = useState("");
  const [password, setPassword] = useState("");
  const change = useMutation({
    mutationFn: () => ask.put("/api/session/password", { body: { now, password } }),
    onSuccess: () => {
      setNow("");
      setPassword("");
    },
  });
  return (
    <AddForm action={t("desk.change your password")} add={change}>
      <TextField
        size="small"
        type="password"
        label={t("desk.password now")}
        autoComplete="current-password"
        value={now}
        onChange={(e) => setNow(e.target.value)}
        required
      />
      <TextField
        size="small"
        type="password"
        label={t("desk.new password")}
        autoComplete="new-password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        required
      />
      {change.isSuccess && <Alert severity="success">{t("desk.password changed")}</Alert>}
    </AddForm>
  );
};
