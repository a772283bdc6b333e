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
import type { VehicleBody } from "../api/types";
import { LengthField } from "../shell/LengthField";
import { NumberField } from "../shell/NumberField";
import { Failure, Waiting } from "../shell/states";
import { useStored } from "../shell/useStored";
import { linesOf, type Measure, VehicleSheet } from "../stations/seat/VehicleSheet";
import { t } from "../words";

type Class = VehicleBody["class"];
const CLASSES: readonly Class[] = ["car", "van", "rigid", "bus", "tractor"];

interface Typed {
  name: string;
  kind: Class;
  measures: Partial<Record<Measure, number>>;
  turns: number | null;
  circle: number | null;
}

const NOTHING: Typed = { name: "", kind: "car", measures: {}, turns: null, circle: null };

const usualQuery = ({ name, kind, measures, turns, circle }: Typed) => {
  const body = { name, kind, ...measures, lock_turns: turns, kerb_circle_m: circle };
  return queryOptions({
    queryKey: ["usual vehicle", body],
    queryFn: ({ signal }) => ask.post("/api/vehicles/usual", { body, signal }),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
};

export const NewVehicle = () => {
  const client = useQueryClient();
  const [typed, setTyped, forget] = useStored<Typed>("new vehicle", NOTHING);
  const usual = useQuery(usualQuery(typed));
  // What cannot be taken as typed stays where it was typed, beside an ordinary one.
  const plain = useQuery(usualQuery({ ...NOTHING, kind: typed.kind }));
  const [asked, setAsked] = useState(false);
  const keep = useMutation({
    mutationFn: async () => {
      const { body } = await client.fetchQuery(usualQuery(typed));
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
          label={t("begin.class")}
          value={typed.kind}
          onChange={(e) => setTyped({ ...typed, kind: e.target.value as Class })}
          sx={{ minWidth: 150 }}
        >
          {CLASSES.map((kind) => (
            <MenuItem key={kind} value={kind}>
              {t(`begin.class ${kind}`)}
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
