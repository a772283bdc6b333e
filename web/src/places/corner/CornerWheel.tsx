/** How much wheel holds the distance round a corner: it depends on the corner's radius. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { cornerWheelQuery } from "../../api/queries";
import type { CornerGoal, Docket } from "../../api/types";
import { Panel } from "../../shell/Panel";
import { length, turns } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

export const CornerWheel = ({ docket }: { docket: Docket }) => {
  const { goal } = docket.ground.body;
  return goal.kind === "corner" ? <Wheel docket={docket} goal={goal} /> : null;
};

const Wheel = ({ docket, goal }: { docket: Docket; goal: CornerGoal }) => {
  const units = useUnits();
  const { data = [] } = useQuery(cornerWheelQuery(docket.vehicle.id, goal.kerb_m));
  return (
    <Panel
      label={t("places.wheel round corners")}
      title={t("places.wheel that holds", { kerb: length(goal.kerb_m, units) })}
    >
      {data.map((one) => (
        <Box key={one.radius_m} sx={{ display: "flex", justifyContent: "space-between", gap: 1 }}>
          <span>{t("places.round a kerb of radius", { radius: length(one.radius_m, units) })}</span>
          <strong style={{ whiteSpace: "nowrap" }}>
            {one.turns === null ? t("places.past the lock") : turns(one.turns)}
          </strong>
        </Box>
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t("places.once round and steady near")}
      </Box>
    </Panel>
  );
};
