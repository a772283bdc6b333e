/** A length that is typed: in the school's units, checked when the hand leaves the field. */

import TextField from "@mui/material/TextField";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import type { Metres } from "../api/types";
import { t } from "../words";
import { Keypad } from "./Keypad";
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
  /** What was typed was entered; answers whether the hand goes on to another field. */
  entered?: (() => boolean) | undefined;
  /** Whether it is typed on the keys made for it, where there is no keyboard. */
  keypad?: boolean;
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
  entered,
  keypad = false,
}: Props) => {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focused) input.current?.focus();
  }, [focused]);
  const units = useUnits();
  const [held, setHeld] = useState(false);
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
  /** Whether what was typed is a length, or nothing where that may be. */
  const commit = (): boolean => {
    const unchanged = typing === null || typing === standing;
    const typed = unchanged ? null : parseLength(typing, unit);
    if (unchanged) hand(standing, null);
    else if (typing.trim() === "" && optional) hand("", null);
    else if (typed !== null) hand(length(typed, units), typed);
    else {
      setWrong(units === "imperial" ? t("shell.a length in feet") : t("shell.a length in metres"));
      return false;
    }
    return true;
  };
  const key = (event: KeyboardEvent) => {
    if (event.key === "Enter" && commit()) entered?.();
    if (event.key === "Escape") hand(standing, null);
  };
  const enter = () => {
    // With nothing left to go on to, the keys make room for what they lay on.
    if (commit() && !entered?.()) input.current?.blur();
  };
  const field = (
    <TextField
      label={label}
      value={typing ?? standing}
      size={size}
      placeholder={unit}
      onChange={(e) => setTyping(e.target.value)}
      onBlur={() => {
        setHeld(false);
        commit();
      }}
      onFocus={() => {
        setHeld(true);
        reached?.();
      }}
      inputRef={input}
      onKeyDown={key}
      error={Boolean(wrong || error)}
      helperText={wrong || error}
      slotProps={{
        input: { readOnly, sx: { background: "#FCFAF5", fontWeight: 650 } },
        htmlInput: { inputMode: keypad ? "none" : "text", "aria-label": label },
        formHelperText: { sx: { background: "#FCFAF5", m: 0, px: 0.5 } },
      }}
      sx={{ width: units === "imperial" ? Math.max(width, FEET_AND_INCHES) : width }}
    />
  );
  if (!keypad) return field;
  return (
    <>
      {field}
      {held && !readOnly && (
        <Keypad
          units={units}
          type={(text) => setTyping((typing ?? "") + text)}
          back={() => setTyping((typing ?? standing).slice(0, -1))}
          enter={enter}
        />
      )}
    </>
  );
};
