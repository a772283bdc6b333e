/** How much wheel holds the distance round a corner: it depends on the corner's radius. */
import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { cornerWheelQuery } from "../../api/queries";
import type { CornerGoal, Docket } from "../../api/types";
import { length, turns } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

export const CornerWheel = ({ docket }: { docket: Docket }) => {
  const { goal } = docket.ground.body;
  return goal.kind === "corner" ? <Wheel docket={docket} goal={goal} /> : null;
};

const Wheel = ({ docket, goal }: { docket: Docket; goal: CornerGoal }) => {
  const units = useUnits();
  const { data = [] } = useQuery(cornerWheelQuery(docket.vehicle.id, goal.kerb_m));
  return (
    <Paper sx={{ p: 1.5, flexShrink: 0 }} component="section" aria-label="Wheel round corners">
      <Typography variant="h2">Wheel that holds {length(goal.kerb_m, units)}</Typography>
      {data.map((one) => (
        <Box key={one.radius_m} sx={{ display: "flex", justifyContent: "space-between" }}>
          <span>round a kerb of {length(one.radius_m, units)} radius</span>
          <strong>{one.turns === null ? "past the lock" : turns(one.turns)}</strong>
        </Box>
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        Once round and steady, near rear tyre to kerb. A little more wheel when it opens, a little
        less when it closes; small corrections, soon.
      </Box>
    </Paper>
  );
};
