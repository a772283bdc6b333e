/** The one-time address: the first lead names the school and themselves. */

import Alert from "@mui/material/Alert";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { ApiError, ask } from "../api/client";
import { sessionQuery } from "../api/queries";
import { Porch } from "../shell/Porch";
import { Failure, Waiting } from "../shell/states";
import { welcome } from "../shell/useStored";
import { t } from "../words";
import { FromFile } from "./FromFile";

const beginningQuery = (key: string) =>
  queryOptions({
    queryKey: ["beginning", key],
    queryFn: ({ signal }) => ask.get("/api/begin", { params: { query: { key } }, signal }),
  });

const Begin = () => {
  const key = useSearchParams()[0].get("key") ?? "";
  const beginning = useQuery(beginningQuery(key));
  const [fromFile, setFromFile] = useState(false);
  return (
    <Porch title={t("begin.begin a school")} width={640}>
      {beginning.isPending && <Waiting />}
      {beginning.error && (
        <Failure error={beginning.error} retry={() => void beginning.refetch()} />
      )}
      {beginning.data && !beginning.data.open && (
        <>
          <Alert severity="warning">{t("begin.address ran out")}</Alert>
          <Button href="/" variant="contained">
            {t("begin.to the sign-in")}
          </Button>
        </>
      )}
      {beginning.data?.open && !fromFile && (
        <>
          <Form address={key} locales={beginning.data.locales} zones={beginning.data.time_zones} />
          <Button onClick={() => setFromFile(true)}>{t("begin.there is a file")}</Button>
        </>
      )}
      {beginning.data?.open && fromFile && (
        <FromFile address={key} back={() => setFromFile(false)} />
      )}
    </Porch>
  );
};

interface Props {
  address: string;
  locales: string[];
  zones: string[];
}

const FIELDS = ["name", "place", "lead", "username", "password"] as const;
type Field = (typeof FIELDS)[number];

/** What the machine in front of the person is set to, where the school can be set to it. */
const usual = <T extends string>(wanted: string, known: readonly T[], else_: T): T =>
  known.find((one) => one === wanted) ?? else_;

const Form = ({ address, locales, zones }: Props) => {
  const client = useQueryClient();
  const navigate = useNavigate();
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const [typed, setTyped] = useState<Record<Field, string>>({
    name: "",
    place: "",
    lead: "",
    username: "",
    password: "",
  });
  const [keeps, setKeeps] = useState<"left" | "right" | "">("");
  const [units, setUnits] = useState<"metric" | "imperial" | "">("");
  const [locale, setLocale] = useState(usual(navigator.language, locales, "en-GB"));
  const [zone, setZone] = useState(usual(here, zones, "UTC"));
  const begin = useMutation({
    mutationFn: () =>
      ask.post("/api/begin", {
        body: {
          key: address,
          ...typed,
          // The form is not sent before both are chosen.
          keeps: keeps || "left",
          units: units || "metric",
          locale,
          time_zone: zone,
        },
      }),
    onSuccess: (session) => {
      client.setQueryData(sessionQuery.queryKey, session);
      if (session.person) welcome(session.person.id);
      void navigate("/");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    begin.mutate();
  };
  const wrong = begin.error instanceof ApiError ? begin.error : null;
  const row = (field: Field, label: string, more: object = {}) => (
    <TextField
      label={label}
      value={typed[field]}
      onChange={(e) => setTyped({ ...typed, [field]: e.target.value })}
      required={field !== "place"}
      error={wrong?.field === field}
      helperText={wrong?.field === field ? wrong.problem : undefined}
      {...more}
    />
  );
  const languages = new Intl.DisplayNames(locale, { type: "language" });
  const elsewhere = begin.error && !FIELDS.some((field) => field === wrong?.field);
  return (
    <Box
      component="form"
      onSubmit={submit}
      sx={{
        display: "grid",
        gap: 2,
        gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" },
        "& > .wide": { gridColumn: "1 / -1" },
      }}
    >
      <Typography className="wide" color="text.secondary">
        {t("begin.nobody has begun")}
      </Typography>
      {row("name", t("begin.name of the school"), { autoFocus: true })}
      {row("place", t("begin.town"))}
      <TextField
        select
        required
        label={t("begin.traffic keeps")}
        value={keeps}
        onChange={(e) => setKeeps(e.target.value as "left" | "right")}
      >
        <MenuItem value="left">{t("begin.left")}</MenuItem>
        <MenuItem value="right">{t("begin.right")}</MenuItem>
      </TextField>
      <TextField
        select
        required
        label={t("begin.lengths in")}
        value={units}
        onChange={(e) => setUnits(e.target.value as "metric" | "imperial")}
      >
        <MenuItem value="metric">{t("begin.metres")}</MenuItem>
        <MenuItem value="imperial">{t("begin.feet")}</MenuItem>
      </TextField>
      <TextField
        select
        label={t("begin.dates and figures")}
        value={locale}
        onChange={(e) => setLocale(e.target.value)}
      >
        {locales.map((one) => (
          <MenuItem key={one} value={one}>
            {languages.of(one)}
          </MenuItem>
        ))}
      </TextField>
      <Autocomplete
        options={zones}
        value={zone}
        disableClearable
        openText={t("shell.open the list")}
        closeText={t("shell.close the list")}
        noOptionsText={t("shell.nothing found")}
        onChange={(_, chosen) => setZone(chosen)}
        renderInput={(params) => <TextField {...params} label={t("begin.time zone")} />}
      />
      <Typography className="wide" variant="h2" sx={{ mt: 1 }}>
        {t("begin.you lead it")}
      </Typography>
      {row("lead", t("begin.your name"), { autoComplete: "name" })}
      {row("username", t("begin.sign in with"), { autoComplete: "username" })}
      {row("password", t("shell.password"), {
        type: "password",
        autoComplete: "new-password",
        className: "wide",
        ...(wrong?.field !== "password" && { helperText: t("begin.ten characters") }),
      })}
      {elsewhere && (
        <Alert severity="error" className="wide">
          {wrong ? wrong.problem : begin.error?.message}
        </Alert>
      )}
      <Typography className="wide" sx={{ fontSize: 13 }} color="text.secondary">
        {t("begin.starter library")}
      </Typography>
      <Button
        className="wide"
        type="submit"
        variant="contained"
        size="large"
        loading={begin.isPending}
      >
        {t("begin.begin")}
      </Button>
    </Box>
  );
};

export default Begin;
