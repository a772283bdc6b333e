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

const told = ({ way, gear, then, straight_m }: Leaving, units: Units): string => {
  const lock = `full lock ${way}`;
  if (straight_m === null) return `To the ${way}: not in one go; take it in two.`;
  if (straight_m === 0) return `${lock}, ${then}, from where it stands.`;
  const straight = `${gear === "forward" ? "Forward" : "Back"} ${roughly(straight_m, units)} straight`;
  return gear === then
    ? `${straight} before any wheel, then ${lock}.`
    : `${straight}, then ${then}, ${lock}.`;
};

export const WayOut = ({ docket, options }: { docket: Docket; options: PlanOptions }) => {
  const units = useUnits();
  const leaving = useQuery(leavingQuery(docket, options));
  if (!leaving.data) return null;
  return (
    <Paper sx={{ p: 1.5 }} component="section" aria-label="Leaving again">
      <Typography variant="h2">Leaving again</Typography>
      {leaving.data.map((way) => (
        <Box key={way.way} sx={{ mt: 0.5 }}>
          {told(way, units)}
        </Box>
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        Computed with 5 cm to spare and quick hands; look all round, and to the traffic side, first.
      </Box>
    </Paper>
  );
};
