/** A plain number that is typed, such as turns of the steering wheel. */

import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { decimal, t } from "../words";

interface Props {
  label: string;
  /** Null as long as there is none. */
  value: number | null;
  onCommit: (value: number) => void;
  readOnly?: boolean;
  width?: number;
}

const told = (value: number | null) => (value === null ? "" : decimal(value));

export const NumberField = ({ label, value, onCommit, readOnly = false, width = 104 }: Props) => {
  const [text, setText] = useState(told(value));
  const [wrong, setWrong] = useState(false);
  useEffect(() => setText(told(value)), [value]);
  const commit = () => {
    const typed = Number(text.trim().replace(",", ".").replace("−", "-"));
    if (text.trim() === "" && value === null) return;
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
