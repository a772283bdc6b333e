/** What somebody may do in the school. */
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Role } from "../api/types";
import { named, t } from "../words";

/** Who does not learn here: from one of these to another somebody may go. */
export const TEACHERS: readonly Role[] = ["trainee", "instructor", "lead"];

interface Props {
  among: readonly Role[];
  value: Role;
  choose: (role: Role) => void;
}

export const RoleField = ({ among, value, choose }: Props) => (
  <TextField
    select
    size="small"
    label={t("desk.role")}
    value={value}
    onChange={(e) => choose(e.target.value as Role)}
    sx={{ minWidth: 140 }}
  >
    {among.map((one) => (
      <MenuItem key={one} value={one}>
        {named(one)}
      </MenuItem>
    ))}
  </TextField>
);
