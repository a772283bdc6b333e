/** Leaving again: how far straight before any steering, to either side. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { leavingQuery } from "../../api/queries";
import type { Docket, Leaving, PlanOptions } from "../../api/types";
import { roughly, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

const told = ({ way, gear, then, straight_m }: Leaving, units: Units): string => {
  const said = { way: t(`names.${way}`), gear: t(`names.${then}`) };
  if (straight_m === null) return t("cues.not in one go", said);
  if (straight_m === 0) return t("cues.out from where it stands", said);
  const straight = { ...said, by: roughly(straight_m, units) };
  if (gear === then) return t(`cues.out ${gear} before any wheel`, straight);
  return t(`cues.out ${gear} and then the other way`, straight);
};

export const WayOut = ({ docket, options }: { docket: Docket; options: PlanOptions }) => {
  const units = useUnits();
  const leaving = useQuery(leavingQuery(docket, options));
  if (!leaving.data) return null;
  return (
    <Paper sx={{ p: 1.5 }} component="section" aria-label={t("cues.leaving again")}>
      <Typography variant="h2">{t("cues.leaving again")}</Typography>
      {leaving.data.map((way) => (
        <Box key={way.way} sx={{ mt: 0.5 }}>
          {told(way, units)}
        </Box>
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t("cues.computed with 5 cm to spare")}
      </Box>
    </Paper>
  );
};
