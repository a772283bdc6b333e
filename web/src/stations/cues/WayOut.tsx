/** Leaving again: how far straight before any steering, to either side. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { leavingQuery } from "../../api/queries";
import type { Docket, PlanOptions } from "../../api/types";
import { Panel } from "../../shell/Panel";
import { ink } from "../../theme";
import { t } from "../../words";

export const WayOut = ({ docket, options }: { docket: Docket; options: PlanOptions }) => {
  const leaving = useQuery(leavingQuery(docket, options));
  if (!leaving.data) return null;
  return (
    <Panel label={t("cues.leaving again")}>
      {leaving.data.map((way) => (
        <Box key={way.way} sx={{ mt: 0.5 }}>
          {way.said.text}
        </Box>
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t("cues.computed with 5 cm to spare")}
      </Box>
    </Panel>
  );
};
