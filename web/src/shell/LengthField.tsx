/** A length that is typed: in the school's units, checked when the hand leaves the field. */
import TextField from "@mui/material/TextField";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import type { Metres } from "../api/types";
import { length, parseLength } from "./units";
import { useUnits } from "./useDocket";

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
}: Props) => {
  const units = useUnits();
  const shown = metres === null ? "" : length(metres, units);
  const [text, setText] = useState(shown);
  const [wrong, setWrong] = useState("");
  useEffect(() => setText(shown), [shown]);
  // Enter commits and leaving the field would commit once more, before the answer is there.
  const handedOver = useRef(shown);
  const unit = units === "imperial" ? "in" : bare;
  const commit = () => {
    if (text === shown || text === handedOver.current) return setWrong("");
    if (text.trim() === "" && optional) {
      setWrong("");
      handedOver.current = text;
      return onCommit(null);
    }
    const typed = parseLength(text, unit);
    if (typed === null)
      return setWrong(units === "imperial" ? "like 10 in or 3' 4\"" : "like 25 cm");
    setWrong("");
    handedOver.current = length(typed, units);
    setText(handedOver.current);
    onCommit(typed);
  };
  const key = (event: KeyboardEvent) => {
    if (event.key === "Enter") commit();
    if (event.key === "Escape") setText(shown);
  };
  return (
    <TextField
      label={label}
      value={text}
      size={size}
      placeholder={unit}
      onChange={(e) => {
        handedOver.current = shown;
        setText(e.target.value);
      }}
      onBlur={commit}
      onKeyDown={key}
      error={Boolean(wrong || error)}
      helperText={wrong || error}
      slotProps={{
        input: { readOnly, sx: { background: "#FCFAF5", fontWeight: 650 } },
        htmlInput: { inputMode: "text", "aria-label": label },
        inputLabel: { shrink: true, sx: { background: "#FCFAF5", px: 0.5, borderRadius: 1 } },
        formHelperText: { sx: { background: "#FCFAF5", m: 0, px: 0.5 } },
      }}
      sx={{ width }}
    />
  );
};
