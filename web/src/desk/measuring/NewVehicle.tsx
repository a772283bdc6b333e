/** A vehicle from nothing: a walk round it, its measures typed on drawings that grow with them. */

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
import { added } from "../../api/added";
import { ApiError, ask } from "../../api/client";
import type { School, VehicleBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { Failure, Waiting } from "../../shell/states";
import { useSchool } from "../../shell/useDocket";
import { useStored } from "../../shell/useStored";
import { SideSheet } from "../../stations/seat/SideSheet";
import { linesOf, VehicleSheet } from "../../stations/seat/VehicleSheet";
import { t } from "../../words";
import { CircleByChalk } from "./CircleByChalk";
import { Walk } from "./Walk";
import { after, type Measure, OPTIONAL, type Step } from "./walk";

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
  tows: Tows | null;
}

type Tows = "semi-trailer" | "caravan";
const TOWS: readonly Tows[] = ["caravan", "semi-trailer"];

const NOTHING: Typed = {
  name: "",
  shape: "small hatch",
  measures: {},
  turns: null,
  circle: null,
  tows: null,
};

const usualQuery = (driver: School["keeps"], typed: Typed) => {
  const { name, shape, measures, turns, circle, tows } = typed;
  const steering = { lock_turns: turns, kerb_circle_m: circle };
  const towed = tows && { kind: tows };
  const body = { name, shape, driver, ...measures, ...steering, tows: towed };
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
  // Where the walk is; nobody is hurried along before they have begun it.
  const [now, go] = useState<Step | null>(null);
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
    height_m: t("measure.height"),
    sill_m: t("measure.sill"),
    ...Object.fromEntries(linesOf(drawn).map((line) => [line.measure, line.label])),
  };
  const given: Record<string, unknown> = {
    name: typed.name.trim() || null,
    lock_turns: typed.turns,
    kerb_circle_m: typed.circle,
    ...typed.measures,
  };
  const done = new Set(Object.keys(given).filter((field) => (given[field] ?? null) !== null));
  const missing = Object.keys(labels).filter(
    (field) => !done.has(field) && !OPTIONAL.has(field as Step),
  );
  const put = (step: Step, value: number | null) => {
    if (step === "lock_turns") setTyped({ ...typed, turns: value });
    else if (step === "kerb_circle_m") setTyped({ ...typed, circle: value });
    else {
      const { [step]: _, ...others } = typed.measures;
      setTyped({ ...typed, measures: value === null ? others : { ...others, [step]: value } });
    }
  };
  /** What was to be typed now leads on to what comes next. */
  const set = (step: Step, value: number | null) => {
    put(step, value);
    if (value !== null && step === now) go(after(step) ?? step);
  };
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
        <TextField
          select
          size="small"
          label={t("measure.tows")}
          value={typed.tows ?? ""}
          slotProps={{ select: { displayEmpty: true } }}
          onChange={(e) => setTyped({ ...typed, tows: (e.target.value || null) as Tows | null })}
          sx={{ minWidth: 150 }}
        >
          <MenuItem value="">{t("measure.tows nothing")}</MenuItem>
          {TOWS.map((tows) => (
            <MenuItem key={tows} value={tows}>
              {t(`measure.tows ${tows}`)}
            </MenuItem>
          ))}
        </TextField>
        <NumberField
          label={t("begin.turns to a lock")}
          value={typed.turns}
          width={190}
          focused={now === "lock_turns"}
          reached={() => go("lock_turns")}
          onCommit={(turns) => set("lock_turns", turns)}
        />
        <LengthField
          label={t("begin.kerb circle")}
          metres={typed.circle}
          width={190}
          optional
          focused={now === "kerb_circle_m"}
          reached={() => go("kerb_circle_m")}
          onCommit={(circle) => set("kerb_circle_m", circle)}
        />
        <CircleByChalk take={(circle) => put("kerb_circle_m", circle)} />
      </Box>
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("begin.drawn as usual until")}
      </Typography>
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 300px" },
        }}
      >
        <Box sx={{ display: "grid", gap: 1, gridTemplateRows: "400px 250px" }}>
          <VehicleSheet
            vehicle={drawn}
            seat={null}
            measured={typed.measures}
            readOnly={false}
            active={now ?? ""}
            reached={go}
            set={set}
          />
          <SideSheet
            vehicle={drawn}
            seat={null}
            heights={{
              given: {
                height_m: typed.measures.height_m ?? null,
                sill_m: typed.measures.sill_m ?? null,
              },
              active: now ?? "",
              reached: go,
              set,
            }}
          />
        </Box>
        <Box sx={{ order: { xs: -1, md: 0 } }}>
          <Walk
            now={now ?? "width_m"}
            go={go}
            labels={labels}
            done={done}
            slips={usual.data?.slips ?? []}
            take={(field, value) => put(field as Step, value)}
          />
        </Box>
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
