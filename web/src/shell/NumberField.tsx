/** A plain number that is typed, such as turns of the steering wheel. */

import TextField from "@mui/material/TextField";
import { useEffect, useRef, useState } from "react";
import { decimal, t } from "../words";

interface Common {
  label: string;
  /** Null as long as there is none. */
  value: number | null;
  readOnly?: boolean;
  width?: number;
  /** Whether the hand is to be here now; told back when it has come by itself. */
  focused?: boolean;
  reached?: () => void;
}

/** With `optional`, nothing may be typed, too. */
type Props = Common &
  (
    | { optional: true; onCommit: (value: number | null) => void }
    | { optional?: false; onCommit: (value: number) => void }
  );

const told = (value: number | null) => (value === null ? "" : decimal(value));

export const NumberField = (props: Props) => {
  const { label, value, readOnly = false, width = 104, focused = false, reached } = props;
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focused) input.current?.focus();
  }, [focused]);
  const [text, setText] = useState(told(value));
  const [wrong, setWrong] = useState(false);
  useEffect(() => setText(told(value)), [value]);
  const commit = () => {
    const typed = Number(text.trim().replace(",", ".").replace("−", "-"));
    if (text.trim() === "" && value === null) return;
    if (text.trim() === "" && props.optional) return props.onCommit(null);
    const bad = text.trim() === "" || !Number.isFinite(typed);
    setWrong(bad);
    if (!bad && typed !== value) props.onCommit(typed);
  };
  return (
    <TextField
      label={label}
      value={text}
      size="small"
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      {...(reached && { onFocus: reached })}
      inputRef={input}
      onKeyDown={(e) => e.key === "Enter" && commit()}
      error={wrong}
      helperText={wrong ? t("shell.a number") : undefined}
      slotProps={{ input: { readOnly }, htmlInput: { inputMode: "decimal" } }}
      sx={{ width }}
    />
  );
};
