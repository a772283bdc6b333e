/** Between which limits the fit may choose a figure, and what it aims at. */

import Box from "@mui/material/Box";
import type { AnyOf, FitAngle, FitMetres, FitShare } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { t } from "../../words";

type Fit = FitMetres | FitAngle | FitShare;

interface Props<F extends Fit> {
  what: string;
  fit: F;
  set: (fit: F) => void;
}

const ENDS = [
  ["low", "cues.not under"],
  ["prefer", "cues.aim at"],
  ["high", "cues.not over"],
] as const;

export const FitRange = <F extends Fit>({ what, fit, set }: Props<F>) => {
  const figures: AnyOf<Fit> = fit;
  return (
    <Box
      role="group"
      aria-label={t("cues.limits of", { what })}
      sx={{ display: "flex", gap: 1, rowGap: 1.25, flexWrap: "wrap" }}
    >
      {ENDS.map(([end, said]) => {
        if (figures.low_m !== undefined)
          return (
            <LengthField
              key={end}
              label={t(said)}
              metres={figures[`${end}_m`] ?? null}
              width={92}
              onCommit={(metres) => metres !== null && set({ ...fit, [`${end}_m`]: metres })}
            />
          );
        const angle = figures.low_deg !== undefined;
        const value = angle ? figures[`${end}_deg`] : Math.round((figures[end] ?? 0) * 1000) / 10;
        return (
          <NumberField
            key={end}
            label={`${t(said)}, ${angle ? "°" : "%"}`}
            value={value ?? null}
            width={92}
            onCommit={(typed) =>
              set({ ...fit, ...(angle ? { [`${end}_deg`]: typed } : { [end]: typed / 100 }) })
            }
          />
        );
      })}
    </Box>
  );
};
