/** Turns to the lock, and the circles that were driven. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { VehicleBody } from "../../api/types";
import { CircleByChalk } from "../../desk/measuring/CircleByChalk";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { t } from "../../words";

interface Props {
  vehicle: VehicleBody;
  edit: (body: VehicleBody) => void;
  readOnly: boolean;
}

export const SteeringPanel = ({ vehicle, edit, readOnly }: Props) => {
  const { steering } = vehicle;
  const change = (part: Partial<VehicleBody["steering"]>) =>
    edit({ ...vehicle, steering: { ...steering, ...part } });
  const circle = (index: number, part: Partial<VehicleBody["steering"]["circles"][number]>) =>
    change({ circles: steering.circles.map((c, i) => (i === index ? { ...c, ...part } : c)) });
  const basis =
    steering.circles.length > 0
      ? t("seat.the wheels answer runs through", { count: steering.circles.length + 1 })
      : t("seat.only the full lock circle");
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography variant="h2">{t("seat.steering")}</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
        <NumberField
          label={t("seat.turns to lock")}
          value={steering.lock_turns}
          readOnly={readOnly}
          onCommit={(lock_turns) => change({ lock_turns })}
        />
        <LengthField
          label={t("seat.circle at full lock")}
          metres={steering.kerb_circle_m}
          readOnly={readOnly}
          width={150}
          onCommit={(m) => m !== null && change({ kerb_circle_m: m })}
        />
        {!readOnly && <CircleByChalk take={(circle) => change({ kerb_circle_m: circle })} />}
      </Box>
      {steering.circles.map((c, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a circle has no other name than its place
        <Box key={i} sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
          <NumberField
            label={t("seat.at turns")}
            value={c.turns}
            readOnly={readOnly}
            onCommit={(turns) => circle(i, { turns })}
          />
          <LengthField
            label={t("seat.circle")}
            metres={c.kerb_circle_m}
            readOnly={readOnly}
            width={120}
            onCommit={(m) => m !== null && circle(i, { kerb_circle_m: m })}
          />
          {!readOnly && (
            <Button
              size="small"
              onClick={() => change({ circles: steering.circles.filter((_, k) => k !== i) })}
            >
              {t("seat.remove")}
            </Button>
          )}
        </Box>
      ))}
      {!readOnly && (
        <NewCircle
          lock={steering.lock_turns}
          add={(measured) => change({ circles: [...steering.circles, measured] })}
        />
      )}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("seat.circles are diameters kerb", { basis })}
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
        <LengthField
          label={t("seat.tyre width")}
          metres={vehicle.tyre_width_m}
          bare="cm"
          readOnly={readOnly}
          width={146}
          onCommit={(m) => m !== null && edit(measured(vehicle, "tyre width", { tyre_width_m: m }))}
        />
        <LengthField
          label={t("seat.corner cut")}
          metres={vehicle.corner_cut_m}
          bare="cm"
          readOnly={readOnly}
          width={146}
          onCommit={(m) => m !== null && edit(measured(vehicle, "corners", { corner_cut_m: m }))}
        />
      </Box>
    </Box>
  );
};

/** Taped, and no more what is usual. */
const measured = (
  vehicle: VehicleBody,
  what: VehicleBody["assumed"][number],
  taped: Partial<VehicleBody>,
): VehicleBody => ({
  ...vehicle,
  ...taped,
  assumed: vehicle.assumed.filter((one) => one !== what),
});

type Circle = VehicleBody["steering"]["circles"][number];

/** A circle counts only once it has been driven and taped: nothing is filled in for it. */
const NewCircle = ({ lock, add }: { lock: number; add: (circle: Circle) => void }) => {
  const [turns, setTurns] = useState<number | null>(null);
  if (turns === null)
    return (
      <Button
        size="small"
        sx={{ justifySelf: "start" }}
        onClick={() => setTurns(Number((lock / 2).toFixed(2)))}
      >
        {t("seat.add a measured circle")}
      </Button>
    );
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
      <NumberField label={t("seat.at turns")} value={turns} onCommit={setTurns} />
      <LengthField
        label={t("seat.new circle")}
        metres={null}
        width={120}
        onCommit={(kerb_circle_m) => {
          if (kerb_circle_m === null) return;
          add({ turns, kerb_circle_m });
          setTurns(null);
        }}
      />
      <Button size="small" onClick={() => setTurns(null)}>
        {t("seat.leave it")}
      </Button>
    </Box>
  );
};
