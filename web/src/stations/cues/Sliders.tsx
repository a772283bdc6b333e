/** The figures that are tried most; moving one plans again while it moves. */

import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Slider from "@mui/material/Slider";
import type { FitAngle, FitShare, MethodBody, Plan, PlanOptions } from "../../api/types";
import { Term } from "../../shell/Term";
import { degrees, hands, length, percent } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

interface Props {
  plan: Plan;
  method: MethodBody;
  options: PlanOptions;
  change: (part: Partial<PlanOptions>) => void;
  /** Whether there is a mirror along the near side that can be turned down. */
  dips: boolean;
}

export const Sliders = ({ plan, method, options, change, dips }: Props) => {
  const units = useUnits();
  const { tried } = plan.set;
  const fit = method.steps
    .map((s) => ("angle" in s.until ? s.until.angle : 0))
    .find(isFit<FitAngle>);
  const shares = method.steps.map((s) => s.wheel.of_lock).filter(isFit<FitShare>);
  const amounts = [...new Map(shares.map((share) => [share.fit, share])).values()];
  const pinned = options.pinned ?? {};
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "repeat(2, 1fr)", md: "repeat(auto-fit, minmax(150px, 1fr))" },
        columnGap: 3,
        px: 1,
      }}
    >
      <Figure
        name={t("cues.gap at the start")}
        value={options.gap_m ?? plan.set.gap_m}
        said={(v) => length(v, units)}
        range={[...tried.gap_m, 0.05]}
        onChange={(gap_m) => change({ gap_m })}
      />
      {fit && (
        <Figure
          name={t("cues.angle of the run")}
          value={pinned[fit.fit] ?? plan.figures[fit.fit] ?? fit.low_deg}
          said={(v) => degrees(Math.abs(v))}
          range={[fit.low_deg, fit.high_deg, 1]}
          onChange={(v) => change({ pinned: { ...pinned, [fit.fit]: v } })}
        />
      )}
      {amounts.map((share) => (
        <Figure
          key={share.fit}
          name={amountName(share.fit)}
          value={pinned[share.fit] ?? plan.figures[share.fit] ?? share.prefer}
          said={(v) => t("cues.of lock", { share: percent(v) })}
          range={[share.low, share.high, 0.05]}
          onChange={(v) => change({ pinned: { ...pinned, [share.fit]: v } })}
        />
      ))}
      {plan.set.kerb_m !== null && (
        <Figure
          name={t("cues.finish off the kerb")}
          value={options.kerb_m ?? plan.set.kerb_m}
          said={(v) => length(v, units)}
          range={[...tried.kerb_m, tried.kerb_m[1] > 2 ? 0.1 : 0.05]}
          onChange={(kerb_m) => change({ kerb_m })}
        />
      )}
      <Figure
        name={t("cues.hands rolling")}
        means={t("terms.hands")}
        value={options.turns_per_metre ?? plan.set.turns_per_metre}
        said={(v) => hands(v, units)}
        range={[...tried.turns_per_metre, 0.1]}
        onChange={(turns_per_metre) => change({ turns_per_metre })}
      />
      {dips && (
        <FormControlLabel
          sx={{ m: 0, alignSelf: "center" }}
          control={
            <Checkbox
              checked={options.dipped ?? false}
              onChange={(e) => change({ dipped: e.target.checked })}
            />
          }
          label={t("cues.near mirror dipped")}
        />
      )}
    </Box>
  );
};

const isFit = <Fit extends FitAngle | FitShare>(figure: number | Fit | undefined): figure is Fit =>
  typeof figure === "object";

const amountName = (fit: string): string =>
  ({ amount_in: t("cues.wheel in"), amount_out: t("cues.wheel out") })[fit] ?? t("cues.wheel");

interface FigureProps {
  name: string;
  means?: string;
  value: number;
  said: (value: number) => string;
  range: readonly [number, number, number];
  onChange: (value: number) => void;
}

const Figure = ({ name, means, value, said, range: [min, max, step], onChange }: FigureProps) => (
  <Box>
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        justifyContent: "space-between",
        columnGap: 0.5,
        fontSize: 13,
      }}
    >
      {means ? <Term means={means}>{name}</Term> : <span>{name}</span>}
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
      // Steps add up to 0.8999999999999999, which would be another setting than 0.9.
      onChange={(_, v) => onChange(Number(v.toFixed(6)))}
      sx={{ py: 1.2, display: "block", "& .MuiSlider-thumb": { width: 20, height: 20 } }}
    />
  </Box>
);
