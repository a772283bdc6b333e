/** How near the plan passes to everything, and what of the body reaches over the kerb. */

import Box from "@mui/material/Box";
import { memo } from "react";
import type { Plan } from "../../api/types";
import { Panel } from "../../shell/Panel";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { named, t } from "../../words";

type Passed = Plan["clearance"][number];

const told = ({ obstacle, of_tyres }: Passed) =>
  of_tyres
    ? t("cues.tyres to", { what: named(obstacle) })
    : t("cues.body to", { what: named(obstacle) });

export const Clearances = memo(({ plan }: { plan: Plan }) => {
  const units = useUnits();
  const over = plan.overhang;
  return (
    <Panel label={t("cues.how near it passes")}>
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
    </Panel>
  );
});

const Row = ({ what, figure }: { what: string; figure: string }) => (
  <>
    <dt>{what}</dt>
    <dd>{figure}</dd>
  </>
);
