/** Somebody of the school, found by typing part of a name. */
import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { type PeopleAsked, peopleQuery } from "../api/queries";
import { t } from "../words";

export interface Somebody {
  id: number;
  name: string;
}

interface Props {
  label: string;
  /** Who is offered. */
  among: PeopleAsked;
  value: Somebody;
  choose: (person: Somebody) => void;
}

export const PersonField = ({ label, among, value, choose }: Props) => {
  const [typed, setTyped] = useState("");
  // The chosen name stands in the field; who else there is, is asked for by what is typed.
  const search = useDeferredValue(typed === value.name ? "" : typed.trim());
  const people = useQuery(peopleQuery({ ...among, active: true, search, limit: 50 }));
  return (
    <Autocomplete
      size="small"
      options={(people.data?.items ?? []) as Somebody[]}
      loading={people.isPending}
      loadingText={t("shell.one moment")}
      value={value}
      inputValue={typed}
      onInputChange={(_, text) => setTyped(text)}
      filterOptions={(found) => found}
      getOptionLabel={(person) => person.name}
      getOptionKey={(person) => person.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      onChange={(_, person) => choose(person)}
      disableClearable
      openText={t("shell.open the list")}
      closeText={t("shell.close the list")}
      noOptionsText={t("shell.nothing found")}
      sx={{ minWidth: 200 }}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  );
};
