/** The four figures that are tried most; moving one plans again while it moves. */
import Box from "@mui/material/Box";
import Slider from "@mui/material/Slider";
import type { MethodBody, Plan, PlanOptions } from "../../api/types";
import { degrees, length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

interface Props {
  plan: Plan;
  method: MethodBody;
  options: PlanOptions;
  change: (part: Partial<PlanOptions>) => void;
}

interface FitAngle {
  fit: string;
  low_deg: number;
  high_deg: number;
}

export const Sliders = ({ plan, method, options, change }: Props) => {
  const units = useUnits();
  const fit = method.steps.map((s) => s.until.angle).find(isFit);
  const pinned = options.pinned ?? {};
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "repeat(2, 1fr)", md: "repeat(4, 1fr)" },
        columnGap: 3,
        px: 1,
      }}
    >
      <Figure
        name="Gap at the start"
        value={options.gap_m ?? plan.set.gap_m}
        said={(v) => length(v, units)}
        range={[0.5, 1.6, 0.05]}
        onChange={(gap_m) => change({ gap_m })}
      />
      {fit && (
        <Figure
          name="Angle of the run"
          value={pinned[fit.fit] ?? plan.figures[fit.fit] ?? fit.low_deg}
          said={(v) => degrees(v)}
          range={[fit.low_deg, fit.high_deg, 1]}
          onChange={(v) => change({ pinned: { ...pinned, [fit.fit]: v } })}
        />
      )}
      <Figure
        name="Finish off the kerb"
        value={options.kerb_m ?? plan.set.kerb_m}
        said={(v) => length(v, units)}
        range={[0.1, 0.6, 0.05]}
        onChange={(kerb_m) => change({ kerb_m })}
      />
      <Figure
        name="Hands, rolling"
        value={options.turns_per_metre ?? plan.set.turns_per_metre}
        said={(v) => `${v.toFixed(1)} turns/m`}
        range={[0.8, 4, 0.1]}
        onChange={(turns_per_metre) => change({ turns_per_metre })}
      />
    </Box>
  );
};

const isFit = (angle: unknown): angle is FitAngle =>
  typeof angle === "object" && angle !== null && "fit" in angle;

interface FigureProps {
  name: string;
  value: number;
  said: (value: number) => string;
  range: readonly [number, number, number];
  onChange: (value: number) => void;
}

const Figure = ({ name, value, said, range: [min, max, step], onChange }: FigureProps) => (
  <Box>
    <Box
      sx={{ display: "flex", justifyContent: "space-between", whiteSpace: "nowrap", fontSize: 13 }}
    >
      <span>{name}</span>
      <Box component="strong" sx={{ color: ink.ink, fontSize: 15 }}>
        {said(value)}
      </Box>
    </Box>
    <Slider
      size="small"
      aria-label={name}
      value={value}
      min={min}
      max={max}
      step={step}
      getAriaValueText={said}
      onChange={(_, v) => onChange(v)}
      sx={{ py: 1.2, display: "block", "& .MuiSlider-thumb": { width: 20, height: 20 } }}
    />
  </Box>
);
