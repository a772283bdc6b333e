/** A line to add something to a list: fields, one button, and what went wrong beside them. */
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import type { UseMutationResult } from "@tanstack/react-query";
import type { FormEvent, ReactNode } from "react";

interface Props {
  action: string;
  add: UseMutationResult<unknown, Error, void>;
  children: ReactNode;
}

export const AddForm = ({ action, add, children }: Props) => {
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate();
  };
  return (
    <Paper
      component="form"
      aria-label={action}
      onSubmit={submit}
      sx={{ p: 2, display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}
    >
      {children}
      <Button type="submit" variant="contained" loading={add.isPending}>
        {action}
      </Button>
      {add.error && <Alert severity="error">{add.error.message}</Alert>}
    </Paper>
  );
};
