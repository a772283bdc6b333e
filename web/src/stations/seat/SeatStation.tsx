/** Station 1: the vehicle as measured, and the driver's eye in it. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { keepPreviousData, type UseQueryResult, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { inTheWay } from "../../api/client";
import { aroundQuery } from "../../api/queries";
import type { Around, Point, Revision, SeatBody, VehicleBody } from "../../api/types";
import { DragHandle } from "../../drawing/DragHandle";
import { Columns } from "../../shell/Columns";
import { ReviseBar } from "../../shell/ReviseBar";
import { Failure, Waiting } from "../../shell/states";
import { useDocket, useMay } from "../../shell/useDocket";
import { useRevise } from "../../shell/useRevise";
import { t } from "../../words";
import { CameraPanel } from "./CameraPanel";
import { EyePanel } from "./EyePanel";
import { GroundSeen } from "./GroundSeen";
import { AddMirror, MirrorFields } from "./MirrorPanel";
import { OwnMarks, PartsPanel } from "./PartsPanel";
import { fromAbove, fromTheSide, moved, type Part, type Place, partsOf } from "./parts";
import { SeenPanel } from "./SeenPanel";
import { SideSheet } from "./SideSheet";
import { SteeringPanel } from "./SteeringPanel";
import { VehicleSheet } from "./VehicleSheet";

const SeatStation = () => {
  const docket = useDocket();
  return (
    <Seat
      key={`${docket.vehicle.id}-${docket.seat.id}`}
      vehicleRevision={docket.vehicle}
      seatRevision={docket.seat}
    />
  );
};

type View = "measured" | "seen";

interface SeenProps {
  vehicle: VehicleBody;
  seat: SeatBody;
  around: UseQueryResult<Around>;
}

const Seen = ({ vehicle, seat, around }: SeenProps) => {
  const failed = inTheWay(around);
  if (failed) return <Failure error={failed} retry={() => void around.refetch()} />;
  if (!around.data) return <Waiting what={t("seat.working out what is seen")} />;
  return <GroundSeen vehicle={vehicle} seat={seat} around={around.data} />;
};

interface Props {
  vehicleRevision: Revision<"vehicle">;
  seatRevision: Revision<"seat">;
}

const Seat = ({ vehicleRevision, seatRevision }: Props) => {
  const vehicle = useRevise(vehicleRevision);
  const seat = useRevise(seatRevision);
  const readOnly = !useMay().shape;
  const [view, setView] = useState<View>("measured");
  const [key, setKey] = useState<string | null>(null);
  const parts = partsOf({ vehicle: vehicle.body, seat: seat.body });
  const chosen = parts.find((part) => part.key === key) ?? null;
  const move = (to: Place) => {
    if (!chosen) return;
    const next = moved({ vehicle: vehicle.body, seat: seat.body }, chosen.key, to);
    if (next.vehicle !== vehicle.body) vehicle.edit(next.vehicle);
    if (next.seat !== seat.body) seat.edit(next.seat);
  };
  const around = useQuery({
    ...aroundQuery(vehicle.body, seat.body),
    enabled: view === "seen",
    placeholderData: keepPreviousData,
    retry: false,
  });
  return (
    <Columns side={340} least={660} upright={680}>
      <Box sx={{ display: "grid", gridTemplateRows: "auto minmax(0, 1fr)", gap: 1, minHeight: 0 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={view}
          onChange={(_, chosen: View | null) => chosen && setView(chosen)}
          sx={{ "& button": { minHeight: 44, px: 2 } }}
        >
          <ToggleButton value="measured">{t("seat.what is measured")}</ToggleButton>
          <ToggleButton value="seen">{t("seat.what is seen")}</ToggleButton>
        </ToggleButtonGroup>
        {view === "seen" ? (
          <Seen vehicle={vehicle.body} seat={seat.body} around={around} />
        ) : (
          <Box
            sx={{
              display: "grid",
              gridTemplateRows: "minmax(400px, 12fr) minmax(180px, 5fr)",
              gap: 1,
              minHeight: 0,
            }}
          >
            <VehicleSheet
              vehicle={vehicle.body}
              seat={seat.body}
              set={(measure, metres) =>
                metres !== null && vehicle.edit({ ...vehicle.body, [measure]: metres })
              }
              readOnly={readOnly}
              chosen={chosen ? [fromAbove(chosen)] : []}
              overlay={
                !readOnly &&
                chosen && (
                  <Handles part={chosen} move={move} axes={["x_m", "y_m"]} at={fromAbove(chosen)} />
                )
              }
            />
            <SideSheet
              vehicle={vehicle.body}
              seat={seat.body}
              chosen={chosen ? [fromTheSide(chosen)] : []}
              overlay={
                !readOnly &&
                chosen && (
                  <Handles
                    part={chosen}
                    move={move}
                    axes={["x_m", "z_m"]}
                    at={fromTheSide(chosen)}
                  />
                )
              }
            />
          </Box>
        )}
      </Box>
      <Box sx={{ display: "flex", flexDirection: "column", gap: 1.5, overflowY: "auto" }}>
        {view === "seen" && around.data && (
          <Paper sx={{ p: 2, display: "grid", gap: 1 }}>
            <SeenPanel vehicle={vehicle.body} around={around.data} />
          </Paper>
        )}
        <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <SteeringPanel vehicle={vehicle.body} edit={vehicle.edit} readOnly={readOnly} />
          <ReviseBar revision={vehicleRevision} draft={vehicle} what="vehicle" />
        </Paper>
        <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <EyePanel
            seat={seat.body}
            wheelbase={vehicle.body.wheelbase_m}
            edit={seat.edit}
            readOnly={readOnly}
          />
          <ReviseBar revision={seatRevision} draft={seat} what="seat" />
        </Paper>
        <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <PartsPanel
            parts={parts}
            chosen={chosen}
            choose={setKey}
            move={move}
            readOnly={readOnly}
          />
          <MirrorFields vehicle={vehicle.body} part={key} edit={vehicle.edit} readOnly={readOnly} />
          {!readOnly && (
            <AddMirror vehicle={vehicle.body} seat={seat.body} edit={vehicle.edit} put={setKey} />
          )}
          <CameraPanel vehicle={vehicle.body} edit={vehicle.edit} readOnly={readOnly} />
          {!readOnly && (
            <OwnMarks vehicle={vehicle.body} seat={seat.body} edit={seat.edit} put={setKey} />
          )}
        </Paper>
        {vehicle.body.assumed.length > 0 && (
          <Typography sx={{ fontSize: 13 }}>
            {t("seat.assumed as usual", {
              what: vehicle.body.assumed.map((part) => t(`seat.assumed ${part}`)).join(", "),
            })}
          </Typography>
        )}
        <Typography sx={{ fontSize: 13 }} color="text.secondary">
          {t("seat.tape with brakes set")}
        </Typography>
      </Box>
    </Columns>
  );
};

interface HandlesProps {
  part: Part;
  move: (to: Place) => void;
  /** What runs along the drawing, and what up it. */
  axes: readonly [Axis, Axis];
  at: Point;
}

type Axis = keyof Place;

const CALLED = { x_m: "measure.along", y_m: "measure.aside", z_m: "measure.up" } as const;

/** Taken hold of along the drawing, and up it. */
const Handles = ({ part, move, axes: [along, up], at: [x, y] }: HandlesProps) => {
  const held = (axis: Axis, at: Point, pull: Point) => (
    <DragHandle
      label={`${part.name}: ${t(CALLED[axis])}`}
      at={at}
      value={part.at[axis]}
      pull={pull}
      step={FINE}
      onChange={(metres) => move({ ...part.at, [axis]: Number(metres.toFixed(3)) })}
    />
  );
  return (
    <>
      {held(along, [x + HELD, y], [1, 0])}
      {held(up, [x, y + HELD], [0, 1])}
    </>
  );
};

/** How far beside a place it is held, so that the hand does not hide it; and how finely it moves, m. */
const HELD = 0.35;
const FINE = 0.01;

export default SeatStation;
