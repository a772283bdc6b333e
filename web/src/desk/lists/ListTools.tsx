/** What stands above a list: words to look for, and the order. */

import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import { type Code, t } from "../../words";
import type { List } from "./useList";

const CALLED: Record<string, Code> = {
  name: "desk.by name",
  "-name": "desk.by name backwards",
  role: "desk.by role",
  newest: "desk.newest first",
  oldest: "desk.oldest first",
  changed: "desk.last changed first",
};

interface Props<Sort extends string> {
  list: List<Sort>;
  sorts: readonly Sort[];
  /** What the switch shows that is not shown otherwise. */
  away?: string;
}

export const ListTools = <Sort extends string>({ list, sorts, away }: Props<Sort>) => (
  <Box role="search" sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "center" }}>
    <TextField
      size="small"
      type="search"
      label={t("desk.look for")}
      value={list.search}
      onChange={(e) => list.setSearch(e.target.value)}
      slotProps={{ htmlInput: { maxLength: 100 } }}
      sx={{ flex: 1, minWidth: 180 }}
    />
    {sorts.length > 1 && (
      <TextField
        select
        size="small"
        label={t("desk.order")}
        value={list.sort}
        onChange={(e) => list.setSort(e.target.value as Sort)}
        sx={{ minWidth: 170 }}
      >
        {sorts.map((sort) => (
          <MenuItem key={sort} value={sort}>
            {t(CALLED[sort] ?? "desk.by name")}
          </MenuItem>
        ))}
      </TextField>
    )}
    {away && (
      <FormControlLabel
        sx={{ m: 0 }}
        control={<Switch checked={list.away} onChange={(_, on) => list.setAway(on)} />}
        label={away}
      />
    )}
  </Box>
);
