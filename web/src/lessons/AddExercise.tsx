/** One more exercise: what is on the docket, or anything that is done without a cue sheet. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { useDocket } from "../shell/useDocket";
import { t } from "../words";
import { onTheDocket, type Planned } from "./planned";

interface Props {
  /** Minutes that are not planned yet. */
  left: number;
  add: (exercise: Planned, done?: () => void) => void;
  busy: boolean;
}

export const AddExercise = ({ left, add, busy }: Props) => {
  const docket = useDocket();
  const [what, setWhat] = useState("");
  const other = (event: FormEvent) => {
    event.preventDefault();
    add({ what: what.trim(), minutes: left, docket: null }, () => setWhat(""));
  };
  return (
    <Box
      component="form"
      aria-label={t("lesson.add an exercise")}
      onSubmit={other}
      sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mt: 1.5 }}
    >
      <Button
        variant="outlined"
        disabled={busy}
        onClick={() => add({ ...onTheDocket(docket), minutes: left })}
      >
        {t("lesson.add the docket", { method: docket.method.name, ground: docket.ground.name })}
      </Button>
      <TextField
        size="small"
        label={t("lesson.something else")}
        value={what}
        onChange={(e) => setWhat(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 160 } }}
        sx={{ flex: 1, minWidth: 160 }}
      />
      <Button type="submit" disabled={busy || what.trim() === ""}>
        {t("lesson.add")}
      </Button>
    </Box>
  );
};
