/** A vehicle from nothing: its measures typed on a drawing that grows with them. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import {
  keepPreviousData,
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useState } from "react";
import { added } from "../api/added";
import { ApiError, ask } from "../api/client";
import type { School, VehicleBody } from "../api/types";
import { LengthField } from "../shell/LengthField";
import { NumberField } from "../shell/NumberField";
import { Failure, Waiting } from "../shell/states";
import { useSchool } from "../shell/useDocket";
import { useStored } from "../shell/useStored";
import { linesOf, type Measure, VehicleSheet } from "../stations/seat/VehicleSheet";
import { t } from "../words";

type Body = NonNullable<VehicleBody["shape"]>;
const BODIES: readonly Body[] = [
  "small hatch",
  "saloon",
  "estate",
  "SUV",
  "van",
  "rigid",
  "bus",
  "day cab",
  "sleeper",
];

interface Typed {
  name: string;
  shape: Body;
  measures: Partial<Record<Measure, number>>;
  turns: number | null;
  circle: number | null;
}

const NOTHING: Typed = { name: "", shape: "small hatch", measures: {}, turns: null, circle: null };

const usualQuery = (driver: School["keeps"], typed: Typed) => {
  const { name, shape, measures, turns, circle } = typed;
  const steering = { lock_turns: turns, kerb_circle_m: circle };
  const body = { name, shape, driver, ...measures, ...steering };
  return queryOptions({
    queryKey: ["usual vehicle", body],
    queryFn: ({ signal }) => ask.post("/api/vehicles/usual", { body, signal }),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
};

export const NewVehicle = () => {
  const client = useQueryClient();
  // Who keeps left sits on the right.
  const driver = useSchool().keeps === "left" ? "right" : "left";
  const [stored, setTyped, forget] = useStored<Typed>("new vehicle", NOTHING);
  // What was typed before there were bodies has none.
  const typed = { ...NOTHING, ...stored };
  const usual = useQuery(usualQuery(driver, typed));
  // What cannot be taken as typed stays where it was typed, beside an ordinary one.
  const plain = useQuery(usualQuery(driver, { ...NOTHING, shape: typed.shape }));
  const [asked, setAsked] = useState(false);
  const keep = useMutation({
    mutationFn: async () => {
      const { body } = await client.fetchQuery(usualQuery(driver, typed));
      return await ask.post("/api/documents", { body: { kind: "vehicle", body } });
    },
    onSuccess: async () => {
      forget();
      await added(client, "documents");
    },
  });
  const drawn = usual.data?.body ?? plain.data?.body;
  if (!drawn)
    return plain.error ? (
      <Failure error={plain.error} retry={() => void plain.refetch()} />
    ) : (
      <Waiting />
    );
  const wrong = keep.error ?? usual.error;
  const labels: Record<string, string> = {
    name: t("begin.name of the vehicle"),
    lock_turns: t("begin.turns to a lock"),
    kerb_circle_m: t("begin.kerb circle"),
    ...Object.fromEntries(linesOf(drawn).map((line) => [line.measure, line.label])),
  };
  const given: Record<string, unknown> = {
    name: typed.name.trim() || null,
    lock_turns: typed.turns,
    kerb_circle_m: typed.circle,
    ...typed.measures,
  };
  const missing = Object.keys(labels).filter((field) => (given[field] ?? null) === null);
  const told = (error: Error) => {
    if (!(error instanceof ApiError)) return error.message;
    const field = error.field.replace(/^steering\./, "");
    return labels[field] ? `${labels[field]}: ${error.problem}` : error.message;
  };
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        <TextField
          size="small"
          label={t("begin.name of the vehicle")}
          value={typed.name}
          onChange={(e) => setTyped({ ...typed, name: e.target.value })}
        />
        <TextField
          select
          size="small"
          label={t("begin.body")}
          value={typed.shape}
          onChange={(e) => setTyped({ ...typed, shape: e.target.value as Body })}
          sx={{ minWidth: 170 }}
        >
          {BODIES.map((body) => (
            <MenuItem key={body} value={body}>
              {t(`begin.body ${body}`)}
            </MenuItem>
          ))}
        </TextField>
        <NumberField
          label={t("begin.turns to a lock")}
          value={typed.turns}
          width={190}
          onCommit={(turns) => setTyped({ ...typed, turns })}
        />
        <LengthField
          label={t("begin.kerb circle")}
          metres={typed.circle}
          width={190}
          optional
          onCommit={(circle) => setTyped({ ...typed, circle })}
        />
      </Box>
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("begin.drawn as usual until")}
      </Typography>
      <Box sx={{ height: 420, display: "grid" }}>
        <VehicleSheet
          vehicle={drawn}
          seat={null}
          measured={typed.measures}
          readOnly={false}
          set={(measure, metres) => {
            const { [measure]: _, ...others } = typed.measures;
            const measures = metres === null ? others : { ...others, [measure]: metres };
            setTyped({ ...typed, measures });
          }}
        />
      </Box>
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("begin.marks are assumed")} {t("seat.tape with brakes set")}
      </Typography>
      {asked && missing.length > 0 && (
        <Alert severity="info">
          {t("begin.still to measure", { what: missing.map((one) => labels[one]).join(", ") })}
        </Alert>
      )}
      {wrong && <Alert severity="error">{told(wrong)}</Alert>}
      <Button
        variant="contained"
        sx={{ justifySelf: "start" }}
        loading={keep.isPending}
        onClick={() => (missing.length > 0 ? setAsked(true) : keep.mutate())}
      >
        {t("begin.keep the vehicle")}
      </Button>
    </Box>
  );
};
