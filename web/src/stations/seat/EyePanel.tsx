/** The eye of this driver in this seat, by tape from the vehicle. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { EyeBody, Metres, SeatBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";
import { FIELD, FieldGrid } from "./FieldGrid";

/** What a tape leaves open in each direction, m; the core takes it so, too. */
const TAPED = 0.02;

interface Props {
  seat: SeatBody;
  wheelbase: number;
  edit: (body: SeatBody) => void;
  readOnly: boolean;
}

type Axis = "x_m" | "y_m" | "z_m";

/** One more reading of the tape: an eye of which all three are taped is a taped one. */
const taped = (seat: SeatBody, axis: Axis, value: Metres): SeatBody => {
  const uncertain_m = { ...seat.uncertain_m, [axis]: TAPED };
  const all = Object.values(uncertain_m).every((off) => off <= TAPED);
  return {
    ...seat,
    eye: { ...seat.eye, [axis]: value },
    uncertain_m,
    eye_by: all ? "tape" : seat.eye_by,
  };
};

export const EyePanel = ({ seat, wheelbase, edit, readOnly }: Props) => {
  const units = useUnits();
  const row = (name: string, eye: EyeBody, change: (axis: Axis, value: Metres) => void) => (
    <Box>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {name}
      </Typography>
      <FieldGrid>
        <LengthField
          label={t("seat.above the ground")}
          metres={eye.z_m}
          readOnly={readOnly}
          width={FIELD}
          onCommit={(m) => m !== null && change("z_m", m)}
        />
        <LengthField
          label={t("seat.behind front axle")}
          metres={wheelbase - eye.x_m}
          readOnly={readOnly}
          width={FIELD}
          onCommit={(m) => m !== null && change("x_m", wheelbase - m)}
        />
        <LengthField
          label={eye.y_m >= 0 ? t("seat.left of the middle") : t("seat.right of the middle")}
          metres={Math.abs(eye.y_m)}
          readOnly={readOnly}
          width={FIELD}
          onCommit={(m) => m !== null && change("y_m", eye.y_m >= 0 ? m : -m)}
        />
      </FieldGrid>
    </Box>
  );
  const back = seat.eye_looking_back;
  const { x_m, y_m, z_m } = seat.uncertain_m;
  const off = length(Math.max(x_m, y_m, z_m), units);
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography variant="h2">{t("seat.eye", { name: seat.name })}</Typography>
      {row(t("seat.facing forward"), seat.eye, (axis, value) => edit(taped(seat, axis, value)))}
      <Typography sx={{ fontSize: 13, color: seat.eye_by === "tape" ? ink.soft : ink.ochre }}>
        {t(`measure.eye by ${seat.eye_by}`)} {t("measure.known to", { off })}
      </Typography>
      {back ? (
        row(t("seat.turned to look back"), back, (axis, value) =>
          edit({ ...seat, eye_looking_back: { ...back, [axis]: value } }),
        )
      ) : (
        <Typography sx={{ fontSize: 13 }} color="text.secondary">
          {t("seat.not measured turned round cues")}
        </Typography>
      )}
      {!back && !readOnly && (
        <Button
          size="small"
          sx={{ justifySelf: "start" }}
          onClick={() => edit({ ...seat, eye_looking_back: { ...seat.eye } })}
        >
          {t("seat.measure it turned round")}
        </Button>
      )}
    </Box>
  );
};
