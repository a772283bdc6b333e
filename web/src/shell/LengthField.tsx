/** A length that is typed: in the school's units, checked when the hand leaves the field. */

import TextField from "@mui/material/TextField";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import type { Metres } from "../api/types";
import { t } from "../words";
import { length, parseLength } from "./units";
import { useUnits } from "./useDocket";

/** What “24 ft 3.5 in” needs, px. */
const FEET_AND_INCHES = 132;

interface Props {
  label: string;
  metres: Metres | null;
  onCommit: (metres: Metres | null) => void;
  /** What a bare number means where the school is metric: centimetres or metres. */
  bare?: "m" | "cm";
  optional?: boolean;
  readOnly?: boolean;
  size?: "small" | "medium";
  width?: number;
  error?: string | undefined;
  /** Whether the hand is to be here now; told back when it has come by itself. */
  focused?: boolean;
  reached?: (() => void) | undefined;
}

export const LengthField = ({
  label,
  metres,
  onCommit,
  bare = "m",
  optional = false,
  readOnly = false,
  size = "small",
  width = 104,
  error,
  focused = false,
  reached,
}: Props) => {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focused) input.current?.focus();
  }, [focused]);
  const units = useUnits();
  const shown = metres === null ? "" : length(metres, units);
  // What is being typed; what was handed over and not answered yet; else what stands.
  const [typing, setTyping] = useState<string | null>(null);
  const [handed, setHanded] = useState<string | null>(null);
  const [answered, setAnswered] = useState(shown);
  if (answered !== shown) {
    setAnswered(shown);
    setHanded(null);
  }
  const standing = handed ?? shown;
  const [wrong, setWrong] = useState("");
  const unit = units === "imperial" ? "in" : bare;
  const hand = (text: string, metres: Metres | null) => {
    setTyping(null);
    setWrong("");
    if (text === standing) return;
    setHanded(text);
    onCommit(metres);
  };
  const commit = () => {
    if (typing === null || typing === standing) return hand(standing, null);
    if (typing.trim() === "" && optional) return hand("", null);
    const typed = parseLength(typing, unit);
    if (typed === null)
      return setWrong(
        units === "imperial" ? t("shell.a length in feet") : t("shell.a length in metres"),
      );
    hand(length(typed, units), typed);
  };
  const key = (event: KeyboardEvent) => {
    if (event.key === "Enter") commit();
    if (event.key === "Escape") hand(standing, null);
  };
  return (
    <TextField
      label={label}
      value={typing ?? standing}
      size={size}
      placeholder={unit}
      onChange={(e) => setTyping(e.target.value)}
      onBlur={commit}
      onFocus={reached}
      inputRef={input}
      onKeyDown={key}
      error={Boolean(wrong || error)}
      helperText={wrong || error}
      slotProps={{
        input: { readOnly, sx: { background: "#FCFAF5", fontWeight: 650 } },
        htmlInput: { inputMode: "text", "aria-label": label },
        formHelperText: { sx: { background: "#FCFAF5", m: 0, px: 0.5 } },
      }}
      sx={{ width: units === "imperial" ? Math.max(width, FEET_AND_INCHES) : width }}
    />
  );
};
