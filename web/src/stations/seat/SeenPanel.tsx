/** How this driver sets each mirror, and how near the ground is seen on every side. */

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Around, Metres, VehicleBody } from "../../api/types";
import { rearOverhang } from "../../drawing/VehicleShape";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

interface Props {
  vehicle: VehicleBody;
  around: Around;
}

export const SeenPanel = ({ vehicle, around }: Props) => {
  const { turn_deg: turn, back_deg: back, looked_m: looked } = around.assumed;
  return (
    <>
      <Typography variant="h2">{t("seat.nearest ground")}</Typography>
      <Box component="dl" sx={{ m: 0, display: "grid", gridTemplateColumns: "auto 1fr", gap: 0.5 }}>
        {around.nearest.map((one) => (
          <Box key={one.side} sx={{ display: "contents" }}>
            <Box component="dt">{t(`seat.nearest ${one.side}`)}</Box>
            <Box component="dd" sx={{ m: 0, fontWeight: 700, textAlign: "right" }}>
              <Near direct={one.direct_m} seen={one.seen_m} looked={looked} />
            </Box>
          </Box>
        ))}
      </Box>
      {around.camera && <Camera begins={around.camera.begins_m} />}
      {vehicle.trailer && <Box sx={{ fontSize: 13 }}>{t("seat.trailer in line")}</Box>}
      <Typography variant="h2">{t("seat.mirrors")}</Typography>
      {around.mirrors.length === 0 && t("seat.no mirrors")}
      {around.mirrors.map((mirror) => (
        <Box key={mirror.name}>
          <Typography variant="h3">{mirror.name}</Typography>
          <Box sx={{ fontSize: 14 }}>{mirror.said.text}</Box>
          {mirror.beside && (
            <Box sx={{ fontSize: 13, color: ink.soft }}>
              <Begins vehicle={vehicle} begins={mirror.begins_m} />
            </Box>
          )}
        </Box>
      ))}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("seat.assumes heads", { turn, back })}
      </Typography>
    </>
  );
};

const Camera = ({ begins }: { begins: Metres | null }) => {
  const units = useUnits();
  return (
    <Box sx={{ fontSize: 14 }}>
      {begins === null
        ? t("seat.camera shows none")
        : t("seat.camera shows from", { by: length(begins, units) })}
    </Box>
  );
};

interface NearProps {
  direct: Metres | null;
  seen: Metres | null;
  /** How far off ground was looked for. */
  looked: Metres;
}

const Near = ({ direct, seen, looked }: NearProps) => {
  const units = useUnits();
  const told = (metres: Metres | null) =>
    metres === null
      ? t("seat.not within", { reach: length(looked, units) })
      : length(metres, units);
  if (seen === direct) return told(direct);
  return t("seat.in a mirror", { by: told(direct), seen: told(seen) });
};

const Begins = ({ vehicle, begins }: { vehicle: VehicleBody; begins: Metres | null }) => {
  const units = useUnits();
  if (begins === null) return t("seat.mirror shows none");
  const behind = -rearOverhang(vehicle) - begins;
  const by = { by: length(Math.abs(behind), units) };
  return behind >= 0 ? t("seat.mirror shows from", by) : t("seat.mirror shows from ahead", by);
};
