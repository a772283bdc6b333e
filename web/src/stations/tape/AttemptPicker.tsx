import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Shown } from "../../device/pending";
import { cameTo } from "../../shell/cameTo";
import { useDates } from "../../shell/useDates";
import { t } from "../../words";

interface Props {
  attempts: Shown[];
  attempt: Shown;
  onChoose: (id: string) => void;
}

const state = ({ tape, void: spoilt, waits }: Shown): string => {
  if (waits.length > 0) return t("tape.not sent yet");
  const verdict = tape?.verdict;
  const told = cameTo({
    void: spoilt,
    outcome: verdict?.outcome ?? null,
    met: verdict?.met ?? false,
    whole: verdict?.whole ?? true,
  });
  return tape?.by_eye.length ? t("tape.by eye came to", { told }) : told;
};

/** Which attempt is on the drawing; the newest comes first. */
export const AttemptPicker = ({ attempts, attempt, onChoose }: Props) => {
  const dates = useDates();
  return (
    <TextField
      select
      size="small"
      label={t("tape.attempt")}
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
