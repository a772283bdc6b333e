/** Reservations about a plan and all its cues, as lines above them. */

import Box from "@mui/material/Box";
import type { Docket, Plan } from "../../api/types";
import { ink } from "../../theme";
import { t } from "../../words";
import { useRestsOn } from "./useRestsOn";

export const RestsOn = ({ docket, plan }: { docket: Docket; plan: Plan }) => {
  const missed = plan.missed ?? [];
  const lines = [
    ...useRestsOn(docket),
    ...missed.map(({ text }) => t("cues.not as wanted", { what: text })),
  ];
  if (lines.length === 0) return null;
  return (
    <Box role="note" sx={{ flexShrink: 0, fontSize: 14, lineHeight: 1.3, color: ink.ochre }}>
      {lines.map((line) => (
        <div key={line}>{line}</div>
      ))}
    </Box>
  );
};
