/** Station 1: the vehicle as measured, and the driver's eye in it. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { Revision } from "../../api/types";
import { Columns } from "../../shell/Columns";
import { ReviseBar } from "../../shell/ReviseBar";
import { useDocket, useMay } from "../../shell/useDocket";
import { useRevise } from "../../shell/useRevise";
import { t } from "../../words";
import { EyePanel } from "./EyePanel";
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

interface Props {
  vehicleRevision: Revision<"vehicle">;
  seatRevision: Revision<"seat">;
}

const Seat = ({ vehicleRevision, seatRevision }: Props) => {
  const vehicle = useRevise(vehicleRevision);
  const seat = useRevise(seatRevision);
  const readOnly = !useMay().shape;
  return (
    <Columns side={340} least={620}>
      <VehicleSheet
        vehicle={vehicle.body}
        seat={seat.body}
        set={(measure, metres) =>
          metres !== null && vehicle.edit({ ...vehicle.body, [measure]: metres })
        }
        readOnly={readOnly}
      />
      <Box sx={{ display: "flex", flexDirection: "column", gap: 1.5, overflowY: "auto" }}>
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
