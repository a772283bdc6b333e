/** The garage: vehicles, their seats, and grounds; each can be taken along as a file. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type ChangeEvent, useState } from "react";
import { Link } from "react-router";
import { ask } from "../api/client";
import type { VehicleBody } from "../api/types";
import { download } from "../shell/download";
import { length } from "../shell/units";
import { useChangeDocket, useMay, useUnits } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { Desk } from "./Desk";
import { Card, DocumentList, type Used } from "./lists/DocumentList";
import { PutAway } from "./lists/PutAway";
import { Uses } from "./lists/Uses";
import { NewSeat } from "./measuring/NewSeat";
import { NewVehicle } from "./measuring/NewVehicle";

const Garage = () => {
  const shapes = useMay().shape;
  return (
    <Desk title={t("desk.garage")}>
      <DocumentList kind="vehicle" none={t("desk.no vehicle yet")}>
        {(vehicle, use) => <Vehicle vehicle={vehicle} use={use} />}
      </DocumentList>
      {shapes && <Another />}
      {shapes && <Import />}
    </Desk>
  );
};

const Vehicle = ({ vehicle, use }: Used<"vehicle">) => {
  const units = useUnits();
  const change = useChangeDocket();
  const body = vehicle.latest.body;
  const shapes = useMay().shape;
  const [measuring, setMeasuring] = useState(false);
  return (
    <Card>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}>
        <Typography variant="h2">{vehicle.latest.name}</Typography>
        <Box sx={{ flex: 1, minWidth: 220, color: ink.soft }}>
          {t("desk.measures of a vehicle", {
            length: length(body.length_m, units),
            width: length(body.width_m, units),
            circle: length(body.steering.kerb_circle_m, units),
            revision: vehicle.latest.number,
          })}
        </Box>
        {body.trailer && !vehicle.away && (
          <Button component={Link} to={`/trailer?vehicle=${vehicle.id}`}>
            {t("desk.back its trailer")}
          </Button>
        )}
        <Button
          onClick={() => download(`${vehicle.latest.name}.vehicle.json`, vehicle.latest.body)}
        >
          {t("desk.export")}
        </Button>
        <PutAway document={vehicle} name={vehicle.latest.name} />
      </Box>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
        {vehicle.seats.map((seat) => (
          <Box key={seat.id} sx={{ display: "flex" }}>
            {seat.away || vehicle.away ? (
              <Box component="span" sx={{ color: ink.soft, alignSelf: "center", px: 1 }}>
                {t("desk.seat put away", { name: seat.name })}
              </Box>
            ) : (
              <Button variant="outlined" onClick={() => change({ seat: seat.id })}>
                {seat.name}
              </Button>
            )}
            {!vehicle.away && <PutAway document={seat} name={seat.name} />}
          </Box>
        ))}
        {vehicle.seats.length === 0 && <span>{t("desk.no seat measured yet")}</span>}
        {shapes && !vehicle.away && (
          <Button onClick={() => setMeasuring(!measuring)} aria-expanded={measuring}>
            {t("desk.measure a new seat")}
          </Button>
        )}
      </Box>
      <Unmeasured body={body} />
      <Uses use={use} />
      {measuring && <NewSeat vehicle={{ id: vehicle.id, body }} kept={() => setMeasuring(false)} />}
    </Card>
  );
};

/** What of a vehicle nobody has measured. */
const Unmeasured = ({ body }: { body: VehicleBody }) => {
  const what = body.assumed.map((part) => t(`seat.assumed ${part}`)).join(", ");
  const oneCircle = body.steering.circles.length === 0;
  if (!what && !oneCircle) return null;
  return (
    <Box sx={{ fontSize: 14, color: ink.ochre }}>
      {what && t("seat.assumed as usual", { what })}{" "}
      {oneCircle && t("seat.only the full lock circle")}
    </Box>
  );
};

const Another = () => {
  const [open, setOpen] = useState(false);
  return (
    <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
      <Button
        variant="outlined"
        sx={{ justifySelf: "start" }}
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {t("desk.measure a new vehicle")}
      </Button>
      {open && <NewVehicle />}
    </Paper>
  );
};

const parsed = (name: string, text: string): Record<string, unknown> => {
  try {
    return JSON.parse(text);
  } catch {
    throw new Error(t("desk.not a JSON file", { name }));
  }
};

/** A vehicle from a fair-corner/vehicle@1 file; the server checks it and names what is wrong. */
const Import = () => {
  const client = useQueryClient();
  const add = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > 900_000) throw new Error(t("desk.too large a file", { name: file.name }));
      const body = parsed(file.name, await file.text());
      return await ask.post("/api/documents", { body: { kind: "vehicle", body } });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ["documents"] }),
  });
  const chosen = (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    if (file) add.mutate(file);
    event.target.value = "";
  };
  return (
    <Paper sx={{ p: 2, display: "flex", gap: 2, alignItems: "center" }}>
      <Button component="label" variant="outlined" loading={add.isPending}>
        {t("desk.import a vehicle file")}
        <input type="file" accept="application/json,.json" hidden onChange={chosen} />
      </Button>
      {add.error && <Alert severity="error">{add.error.message}</Alert>}
      {add.data && (
        <Alert severity="success">{t("desk.is in the garage", { name: add.data.name })}</Alert>
      )}
    </Paper>
  );
};

export default Garage;
