/** One of a few, chosen from a list; none of them where that may be. */

import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";

interface ChoiceProps<Value extends string> {
  label: string;
  value: Value | null;
  values: readonly Value[];
  told: (value: Value) => string;
  set: (value: Value | null) => void;
  /** What none of them is called, where none may be. */
  none?: string;
  width?: number;
}

const NONE = "-";

export const Choice = <Value extends string>({
  label,
  value,
  values,
  told,
  set,
  none,
  width = 150,
}: ChoiceProps<Value>) => (
  <TextField
    select
    size="small"
    label={label}
    value={value ?? NONE}
    onChange={(e) => set(e.target.value === NONE ? null : (e.target.value as Value))}
    sx={{ width }}
  >
    {none !== undefined && (
      <MenuItem value={NONE} sx={item}>
        {none}
      </MenuItem>
    )}
    {values.map((one) => (
      <MenuItem key={one} value={one} sx={item}>
        {told(one)}
      </MenuItem>
    ))}
  </TextField>
);

const item = { minHeight: 44 } as const;
