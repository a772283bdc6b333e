/** All that the school has of a learner: in a file for them, or erased for good. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../api/client";
import { useChangeDocket, useDocket, useMay } from "../shell/useDocket";
import { t } from "../words";

interface Props {
  person: { id: number; name: string };
}

export const TheirData = ({ person }: Props) => {
  const [erasing, setErasing] = useState(false);
  const lead = useMay().lead;
  return (
    <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
      <Button href={`/api/people/${person.id}/file`} download>
        {lead ? t("desk.their file", { name: person.name }) : t("desk.your file")}
      </Button>
      {lead && (
        <Button color="error" onClick={() => setErasing(true)}>
          {t("desk.erase", { name: person.name })}
        </Button>
      )}
      {erasing && <Erase person={person} close={() => setErasing(false)} />}
    </Box>
  );
};

const Erase = ({ person, close }: Props & { close: () => void }) => {
  const client = useQueryClient();
  const docket = useDocket();
  const change = useChangeDocket();
  const [name, setName] = useState("");
  const erase = useMutation({
    mutationFn: () =>
      ask.post("/api/people/{person_id}/erase", {
        params: { path: { person_id: person.id } },
        body: { name },
      }),
    onSuccess: async () => {
      close();
      // A docket that had them goes on with somebody else.
      if (docket.learner.id === person.id) change({}, ["learner", "seat", "sheet"]);
      await client.invalidateQueries();
    },
  });
  return (
    <Dialog open onClose={close} aria-labelledby="erase-title">
      <DialogTitle id="erase-title">{t("desk.erase", { name: person.name })}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 2 }}>
        <Typography>{t("desk.erased for good", { name: person.name })}</Typography>
        <TextField
          label={t("desk.type their name", { name: person.name })}
          value={name}
          onChange={(e) => setName(e.target.value)}
          autoFocus
        />
        {erase.error && <Alert severity="error">{erase.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>{t("desk.keep them")}</Button>
        <Button
          color="error"
          variant="contained"
          disabled={name.trim() !== person.name}
          loading={erase.isPending}
          onClick={() => erase.mutate()}
        >
          {t("desk.erase for good")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};
