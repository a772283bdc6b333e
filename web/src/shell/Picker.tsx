/** A list to pick from, opened beside what it changes: typing finds, also in a long one. */

import Autocomplete, { type AutocompleteRenderGroupParams } from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Popover from "@mui/material/Popover";
import type { PopperProps } from "@mui/material/Popper";
import TextField from "@mui/material/TextField";
import type { ReactNode } from "react";
import { t } from "../words";

export interface Choice {
  id: number;
  text: string;
  /** Under which heading it stands. */
  group?: string;
}

interface Props {
  name: string;
  anchor: HTMLElement;
  choices: readonly Choice[];
  /** How many there are, of which the server has sent only some. */
  count: number;
  chosen: number;
  search: string;
  setSearch: (words: string) => void;
  choose: (id: number) => void;
  close: () => void;
}

/** The list lies in the popover itself, always open. */
const InPlace = ({ children }: PopperProps) => <Box>{children as ReactNode}</Box>;

/** A heading with its options: a group in the list, as those who listen are told. */
const Group = ({ key, group, children }: AutocompleteRenderGroupParams) => (
  <Box key={key} component="li" role="group" aria-label={group}>
    <Box aria-hidden sx={{ px: 1.5, pt: 1.5, color: "text.secondary", fontSize: 14 }}>
      {group}
    </Box>
    <Box component="ul" role="none" sx={{ p: 0 }}>
      {children}
    </Box>
  </Box>
);

export const Picker = (props: Props) => {
  const { name, anchor, choices, count, chosen, search, setSearch, choose, close } = props;
  const grouped = choices.some((choice) => choice.group);
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={close}
      anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      slotProps={{ paper: { "aria-label": name, sx: { width: 340, maxWidth: "100vw", p: 1 } } }}
    >
      <Autocomplete<Choice>
        open
        autoHighlight
        options={choices}
        value={choices.find((choice) => choice.id === chosen) ?? null}
        inputValue={search}
        onInputChange={(_, words, why) => why === "input" && setSearch(words)}
        filterOptions={(found) => [...found]}
        getOptionLabel={(choice) => choice.text}
        getOptionKey={(choice) => choice.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        {...(grouped && { groupBy: (choice: Choice) => choice.group ?? "", renderGroup: Group })}
        onChange={(_, choice) => choice && choose(choice.id)}
        onClose={(_, why) => (why === "escape" || why === "selectOption") && close()}
        clearText={t("shell.clear")}
        noOptionsText={t("shell.nothing found")}
        slots={{ popper: InPlace, paper: Box }}
        slotProps={{
          listbox: {
            sx: { maxHeight: "min(60vh, 480px)", "& .MuiAutocomplete-option": { minHeight: 44 } },
          },
        }}
        forcePopupIcon={false}
        renderInput={(params) => (
          <TextField {...params} size="small" label={t("shell.find in", { name })} autoFocus />
        )}
      />
      {count > choices.length && (
        <Box sx={{ fontSize: 13, px: 1, pt: 1 }}>
          {t("shell.more than shown", { count: count - choices.length })}
        </Box>
      )}
    </Popover>
  );
};
