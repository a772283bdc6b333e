/** Turns to the lock, and the circles that were driven. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { VehicleBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";

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
      ? `The wheel's answer runs through ${steering.circles.length + 1} measured circles.`
      : "Only the full-lock circle is measured: part lock is assumed to be in proportion. A circle at half lock makes it sure.";
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography variant="h2">Steering</Typography>
      <Box sx={{ display: "flex", gap: 1.5 }}>
        <NumberField
          label="Turns to lock"
          value={steering.lock_turns}
          readOnly={readOnly}
          onCommit={(lock_turns) => change({ lock_turns })}
        />
        <LengthField
          label="Circle at full lock"
          metres={steering.kerb_circle_m}
          readOnly={readOnly}
          width={150}
          onCommit={(m) => m !== null && change({ kerb_circle_m: m })}
        />
      </Box>
      {steering.circles.map((c, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a circle has no other name than its place
        <Box key={i} sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
          <NumberField
            label="At turns"
            value={c.turns}
            readOnly={readOnly}
            onCommit={(turns) => circle(i, { turns })}
          />
          <LengthField
            label="Circle"
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
              Remove
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
        {basis} Circles are diameters, kerb to kerb, at the outer front tyre.
      </Typography>
    </Box>
  );
};

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
        Add a measured circle
      </Button>
    );
  return (
    <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
      <NumberField label="At turns" value={turns} onCommit={setTurns} />
      <LengthField
        label="New circle"
        metres={null}
        width={120}
        onCommit={(kerb_circle_m) => {
          if (kerb_circle_m === null) return;
          add({ turns, kerb_circle_m });
          setTurns(null);
        }}
      />
      <Button size="small" onClick={() => setTurns(null)}>
        Leave it
      </Button>
    </Box>
  );
};
