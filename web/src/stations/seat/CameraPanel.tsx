/** A rear camera, where the vehicle has one: where it is, how far it is tilted, what it takes in. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import Typography from "@mui/material/Typography";
import type { VehicleBody } from "../../api/types";
import { rearOverhang } from "../../drawing/VehicleShape";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { t } from "../../words";
import { FIELD, FieldGrid } from "./FieldGrid";

/** As such a camera usually is: above the bumper, tilted well down, with a wide lens. */
const USUAL = { height: 0.85, heavy: 2.2, down_deg: 35, across_deg: 130 } as const;

interface Props {
  vehicle: VehicleBody;
  edit: (vehicle: VehicleBody) => void;
  readOnly: boolean;
}

export const CameraPanel = ({ vehicle, edit, readOnly }: Props) => {
  const { camera } = vehicle;
  if (!camera)
    return readOnly ? null : (
      <Button
        size="small"
        sx={{ justifySelf: "start" }}
        onClick={() => edit({ ...vehicle, camera: usual(vehicle) })}
      >
        {t("measure.add a camera")}
      </Button>
    );
  const change = (part: Partial<typeof camera>) =>
    edit({ ...vehicle, camera: { ...camera, assumed: false, ...part } });
  const { centre } = camera;
  return (
    <Box sx={{ display: "grid", gap: 1.25 }}>
      <Typography variant="h3">{t("measure.camera")}</Typography>
      {camera.assumed && (
        <Chip
          size="small"
          sx={{ justifySelf: "start" }}
          variant="outlined"
          color="warning"
          label={t("measure.part assumed")}
        />
      )}
      <FieldGrid>
        <LengthField
          label={t("measure.camera height")}
          metres={centre.z_m}
          readOnly={readOnly}
          width={FIELD}
          onCommit={(z_m) => z_m !== null && change({ centre: { ...centre, z_m } })}
        />
        <LengthField
          label={t("measure.camera aside")}
          metres={centre.y_m}
          bare="cm"
          readOnly={readOnly}
          width={FIELD}
          onCommit={(y_m) => y_m !== null && change({ centre: { ...centre, y_m } })}
        />
        <NumberField
          label={t("measure.camera down")}
          value={camera.down_deg}
          readOnly={readOnly}
          onCommit={(down_deg) => change({ down_deg })}
        />
        <NumberField
          label={t("measure.camera across")}
          value={camera.across_deg}
          readOnly={readOnly}
          onCommit={(across_deg) => change({ across_deg })}
        />
      </FieldGrid>
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("measure.camera helps")}
      </Typography>
      {!readOnly && (
        <Button
          size="small"
          sx={{ justifySelf: "start" }}
          onClick={() => edit({ ...vehicle, camera: null })}
        >
          {t("measure.take it off")}
        </Button>
      )}
    </Box>
  );
};

const usual = (vehicle: VehicleBody): NonNullable<VehicleBody["camera"]> => ({
  centre: {
    x_m: Number((-rearOverhang(vehicle)).toFixed(3)),
    y_m: 0,
    z_m: vehicle.class === "car" ? USUAL.height : USUAL.heavy,
  },
  down_deg: USUAL.down_deg,
  across_deg: USUAL.across_deg,
  assumed: true,
});
