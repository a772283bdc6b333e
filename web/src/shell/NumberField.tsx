/** A plain number that is typed, such as turns of the steering wheel. */

import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { decimal, t } from "../words";

interface Props {
  label: string;
  value: number;
  onCommit: (value: number) => void;
  readOnly?: boolean;
  width?: number;
}

export const NumberField = ({ label, value, onCommit, readOnly = false, width = 104 }: Props) => {
  const [text, setText] = useState(decimal(value));
  const [wrong, setWrong] = useState(false);
  useEffect(() => setText(decimal(value)), [value]);
  const commit = () => {
    const typed = Number(text.trim().replace(",", ".").replace("−", "-"));
    const bad = text.trim() === "" || !Number.isFinite(typed);
    setWrong(bad);
    if (!bad && typed !== value) onCommit(typed);
  };
  return (
    <TextField
      label={label}
      value={text}
      size="small"
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === "Enter" && commit()}
      error={wrong}
      helperText={wrong ? t("shell.a number") : undefined}
      slotProps={{ input: { readOnly }, htmlInput: { inputMode: "decimal" } }}
      sx={{ width }}
    />
  );
};
