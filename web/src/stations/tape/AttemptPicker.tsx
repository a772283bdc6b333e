import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Attempt } from "../../api/types";
import { useDates } from "../../shell/useDates";

interface Props {
  attempts: Attempt[];
  attempt: Attempt;
  onChoose: (id: string) => void;
}

const state = (attempt: Attempt): string => {
  if (attempt.void) return "spoilt, left out";
  return attempt.tape?.verdict.outcome ?? "not taped yet";
};

/** Which attempt is on the drawing; the newest comes first. */
export const AttemptPicker = ({ attempts, attempt, onChoose }: Props) => {
  const dates = useDates();
  return (
    <TextField
      select
      size="small"
      label="Attempt"
      value={attempt.id}
      onChange={(e) => onChoose(e.target.value)}
      sx={{ mt: 0.75 }}
    >
      {attempts
        .map((a, i) => (
          <MenuItem key={a.id} value={a.id} sx={{ minHeight: 44 }}>
            {i + 1} · {dates.moment(a.started)} · {state(a)}
          </MenuItem>
        ))
        .reverse()}
    </TextField>
  );
};
