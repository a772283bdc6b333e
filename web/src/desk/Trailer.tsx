/** Backing a trailer straight: driven by hand on the slab, with how its errors grow. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { allDocumentsQuery, backingQuery } from "../api/queries";
import type { BackingLeg, Entry } from "../api/types";
import { Failure, Waiting } from "../shell/states";
import { hands } from "../shell/units";
import { useUnits } from "../shell/useDocket";
import { useLast } from "../shell/useLast";
import { t } from "../words";
import { Desk } from "./Desk";
import { BackingControls } from "./trailer/BackingControls";
import { BackingFigures } from "./trailer/BackingFigures";
import { BackingSlab } from "./trailer/BackingSlab";

const Trailer = () => {
  const vehicles = useQuery(allDocumentsQuery("vehicle"));
  const [chosen, setChosen] = useState<number | null>(
    Number(useSearchParams()[0].get("vehicle")) || null,
  );
  if (vehicles.error)
    return <Failure error={vehicles.error} retry={() => void vehicles.refetch()} />;
  if (!vehicles.data) return <Waiting />;
  const drawing = vehicles.data.filter((v) => v.latest.body.trailer);
  const entry = drawing.find((v) => v.id === chosen) ?? drawing[0];
  return (
    <Desk title={t("desk.trailer")}>
      <Typography color="text.secondary">{t("desk.backing straight every small bend")}</Typography>
      {entry ? (
        <>
          <TextField
            select
            size="small"
            label={t("desk.vehicle and trailer")}
            value={entry.id}
            onChange={(e) => setChosen(Number(e.target.value))}
            sx={{ maxWidth: 380 }}
          >
            {drawing.map((v) => (
              <MenuItem key={v.id} value={v.id} sx={{ minHeight: 44 }}>
                {v.latest.name}
              </MenuItem>
            ))}
          </TextField>
          <Backing key={entry.id} entry={entry} />
        </>
      ) : (
        <Alert severity="info">{t("desk.no vehicle here draws")}</Alert>
      )}
    </Desk>
  );
};

/** An ordinary lane to begin with, round in the school's units, m. */
const LANES = { metric: 3.6, imperial: 3.6576 } as const;

const Backing = ({ entry }: { entry: Entry<"vehicle"> }) => {
  const vehicle = entry.latest.body;
  const [bend, setBend] = useState(1);
  const units = useUnits();
  const [lane, setLane] = useState<number>(LANES[units]);
  const [legs, setLegs] = useState<BackingLeg[]>([]);
  const backing = useQuery(
    backingQuery({ vehicle: entry.latest.id, bend_deg: bend, lane_m: lane, legs }),
  );
  const shown = useLast(backing.data);
  if (backing.error) return <Failure error={backing.error} retry={() => void backing.refetch()} />;
  if (!shown || !vehicle.trailer) return <Waiting />;
  return (
    <>
      <Box sx={{ height: 250 }}>
        <BackingSlab vehicle={vehicle} trailer={vehicle.trailer} path={shown.path} lane={lane} />
      </Box>
      <BackingControls
        lane={lane}
        setLane={setLane}
        lock={vehicle.steering.lock_turns}
        bend={bend}
        setBend={setBend}
        legs={legs}
        setLegs={setLegs}
        jammed={shown.jack_knifed_at_s_m !== null}
      />
      <BackingFigures backing={shown} />
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("desk.computed without slip hands", { hands: hands(2, units) })}
      </Typography>
    </>
  );
};

export default Trailer;
