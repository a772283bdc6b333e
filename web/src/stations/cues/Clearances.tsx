/** How near the plan passes to everything, and what of the body reaches over the kerb. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { Plan } from "../../api/types";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { named, t } from "../../words";

type Passed = Plan["clearance"][number];

const told = ({ obstacle, of_tyres }: Passed) =>
  of_tyres
    ? t("cues.tyres to", { what: named(obstacle) })
    : t("cues.body to", { what: named(obstacle) });

export const Clearances = ({ plan }: { plan: Plan }) => {
  const units = useUnits();
  const over = plan.overhang;
  return (
    <Paper sx={{ p: 1.5 }} component="section" aria-label={t("cues.how near it passes")}>
      <Typography variant="h2">{t("cues.how near it passes")}</Typography>
      <Box
        component="dl"
        sx={{
          m: 0,
          mt: 0.5,
          display: "grid",
          gridTemplateColumns: "1fr auto",
          columnGap: 2,
          "& dd": { m: 0, fontWeight: 700, textAlign: "right" },
        }}
      >
        {plan.clearance.map((passed) => (
          <Row key={passed.obstacle} what={told(passed)} figure={length(passed.metres, units)} />
        ))}
        {plan.overhang.counts && (
          <Row
            what={t("cues.body over the kerb")}
            figure={over.metres < 0.005 ? t("cues.stays off") : length(over.metres, units)}
          />
        )}
      </Box>
    </Paper>
  );
};

const Row = ({ what, figure }: { what: string; figure: string }) => (
  <>
    <dt>{what}</dt>
    <dd>{figure}</dd>
  </>
);
