/** The bend to begin with, the wheel, and rolling: each press is another stretch. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { useState } from "react";
import type { BackingLeg, Metres } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { degrees, length, turns } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { t } from "../../words";

interface Props {
  lane: Metres;
  setLane: (metres: Metres) => void;
  lock: number;
  bend: number;
  setBend: (bend: number) => void;
  legs: BackingLeg[];
  setLegs: (legs: BackingLeg[]) => void;
  jammed: boolean;
}

/** What one press rolls, in figures that are round in the school's units. */
const STEPS = { metric: [0.5, 2, 1], imperial: [0.6096, 1.8288, 1.2192] } as const;
const MOST = 120;

const sided = (value: number, amount: string, none: string): string => {
  if (value === 0) return none;
  return value > 0
    ? t("trailer.so much to the left", { amount })
    : t("trailer.so much to the right", { amount });
};

export const BackingControls = (props: Props) => {
  const { lane, setLane, lock, bend, setBend, legs, setLegs, jammed } = props;
  const units = useUnits();
  const [wheel, setWheel] = useState(0);
  const [little, much, forward] = STEPS[units];
  const roll = (gear: BackingLeg["gear"], metres: number) =>
    setLegs([...legs, { gear, turns: wheel, metres }]);
  const full = legs.length >= MOST;
  return (
    <Box
      sx={{
        display: "grid",
        gap: 2,
        gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "1fr 1fr" },
        alignItems: "start",
      }}
    >
      <Figure
        label={t("trailer.trailer shows at the start")}
        said={sided(bend, degrees(Math.abs(bend), 1), t("trailer.in line"))}
        value={bend}
        most={8}
        step={0.5}
        change={setBend}
      />
      <Figure
        label={t("trailer.steering wheel")}
        said={sided(wheel, turns(wheel), t("trailer.straight"))}
        value={wheel}
        most={lock}
        step={0.05}
        change={setWheel}
      />
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", gridColumn: "1 / -1" }}>
        <Button
          variant="contained"
          sx={{ minHeight: 44 }}
          disabled={jammed || full}
          onClick={() => roll("reverse", little)}
        >
          {t("trailer.roll back", { by: length(little, units) })}
        </Button>
        <Button
          variant="outlined"
          sx={{ minHeight: 44 }}
          disabled={jammed || full}
          onClick={() => roll("reverse", much)}
        >
          {length(much, units)}
        </Button>
        <Button
          variant="outlined"
          sx={{ minHeight: 44 }}
          disabled={full}
          onClick={() => roll("forward", forward)}
        >
          {t("trailer.pull forward", { by: length(forward, units) })}
        </Button>
        <Button
          sx={{ minHeight: 44 }}
          disabled={!legs.length}
          onClick={() => setLegs(legs.slice(0, -1))}
        >
          {t("trailer.undo")}
        </Button>
        <Button sx={{ minHeight: 44 }} disabled={!legs.length} onClick={() => setLegs([])}>
          {t("trailer.start again")}
        </Button>
        <Box sx={{ flex: 1 }} />
        <LengthField
          label={t("trailer.lane")}
          metres={lane}
          width={112}
          onCommit={(metres) => metres !== null && setLane(metres)}
        />
      </Box>
    </Box>
  );
};

interface FigureProps {
  label: string;
  said: string;
  value: number;
  most: number;
  step: number;
  change: (value: number) => void;
}

/** Left of straight is positive, and lies to the left of the slider. */
const Figure = ({ label, said, value, most, step, change }: FigureProps) => (
  <Box>
    <Box sx={{ display: "flex", justifyContent: "space-between" }}>
      <span>{label}</span>
      <strong>{said}</strong>
    </Box>
    <Slider
      aria-label={label}
      value={-value}
      min={-most}
      max={most}
      step={step}
      track={false}
      marks={[{ value: 0 }]}
      getAriaValueText={() => said}
      onChange={(_, next) => change(next === 0 ? 0 : -next)}
    />
  </Box>
);
