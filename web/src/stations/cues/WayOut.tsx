/** Leaving again: how far straight before any steering, to either side. */

import Box from "@mui/material/Box";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { memo, useEffect, useState } from "react";
import { leavingQuery } from "../../api/queries";
import type { Docket, PlanOptions } from "../../api/types";
import { Panel } from "../../shell/Panel";
import { roughly, SPARE } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

// So long nothing may move before something slower is asked for, ms.
const REST = 300;

/** Whether something has held for a while; a slider under way lets it hold only for moments. */
const useAtRest = (holds: boolean): boolean => {
  const [atRest, setAtRest] = useState(false);
  useEffect(() => {
    if (!holds) return setAtRest(false);
    const timer = setTimeout(() => setAtRest(true), REST);
    return () => clearTimeout(timer);
  }, [holds]);
  return atRest && holds;
};

interface Props {
  docket: Docket;
  options: PlanOptions;
  /** Whether the plan is there that is to be left: it comes before what follows from it. */
  settled: boolean;
}

export const WayOut = memo(({ docket, options, settled }: Props) => {
  const units = useUnits();
  const atRest = useAtRest(settled);
  const leaving = useQuery({
    ...leavingQuery(docket, options),
    enabled: atRest,
    placeholderData: keepPreviousData,
  });
  if (!leaving.data) return null;
  return (
    <Panel label={t("cues.leaving again")}>
      {leaving.data.map((way) => (
        <Box key={way.way} sx={{ mt: 0.5, opacity: leaving.isPlaceholderData ? 0.5 : 1 }}>
          {way.said.text}
        </Box>
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t("cues.computed with 5 cm to spare", { spare: roughly(SPARE, units) })}
      </Box>
    </Panel>
  );
});
