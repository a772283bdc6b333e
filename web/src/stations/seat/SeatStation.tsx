/** Station 1: the vehicle as measured, and the driver's eye in it. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { keepPreviousData, type UseQueryResult, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { aroundQuery } from "../../api/queries";
import type { Around, Revision, SeatBody, VehicleBody } from "../../api/types";
import { Columns } from "../../shell/Columns";
import { ReviseBar } from "../../shell/ReviseBar";
import { Failure, Waiting } from "../../shell/states";
import { useDocket, useMay } from "../../shell/useDocket";
import { useRevise } from "../../shell/useRevise";
import { t } from "../../words";
import { EyePanel } from "./EyePanel";
import { GroundSeen } from "./GroundSeen";
import { SeenPanel } from "./SeenPanel";
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
  if (around.error) return <Failure error={around.error} retry={() => void around.refetch()} />;
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
  const around = useQuery({
    ...aroundQuery(vehicle.body, seat.body),
    enabled: view === "seen",
    placeholderData: keepPreviousData,
    retry: false,
  });
  return (
    <Columns side={340} least={620}>
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
          <VehicleSheet
            vehicle={vehicle.body}
            seat={seat.body}
            set={(measure, metres) =>
              metres !== null && vehicle.edit({ ...vehicle.body, [measure]: metres })
            }
            readOnly={readOnly}
          />
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

export default SeatStation;
