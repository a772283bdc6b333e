/** The eye of this driver in this seat, by tape from the vehicle. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { EyeBody, SeatBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { t } from "../../words";

interface Props {
  seat: SeatBody;
  wheelbase: number;
  edit: (body: SeatBody) => void;
  readOnly: boolean;
}

export const EyePanel = ({ seat, wheelbase, edit, readOnly }: Props) => {
  const row = (name: string, eye: EyeBody, change: (eye: EyeBody) => void) => (
    <Box>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {name}
      </Typography>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(146px, 1fr))",
          gap: 1.25,
        }}
      >
        <LengthField
          label={t("seat.above the ground")}
          metres={eye.z_m}
          readOnly={readOnly}
          width={146}
          onCommit={(m) => m !== null && change({ ...eye, z_m: m })}
        />
        <LengthField
          label={t("seat.behind front axle")}
          metres={wheelbase - eye.x_m}
          readOnly={readOnly}
          width={146}
          onCommit={(m) => m !== null && change({ ...eye, x_m: wheelbase - m })}
        />
        <LengthField
          label={eye.y_m >= 0 ? t("seat.left of the middle") : t("seat.right of the middle")}
          metres={Math.abs(eye.y_m)}
          readOnly={readOnly}
          width={146}
          onCommit={(m) => m !== null && change({ ...eye, y_m: eye.y_m >= 0 ? m : -m })}
        />
      </Box>
    </Box>
  );
  const back = seat.eye_looking_back;
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography variant="h2">{t("seat.eye", { name: seat.name })}</Typography>
      {row(t("seat.facing forward"), seat.eye, (eye) => edit({ ...seat, eye }))}
      {back ? (
        row(t("seat.turned to look back"), back, (eye) => edit({ ...seat, eye_looking_back: eye }))
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
