/** Reservations about all cues of a docket, as lines above them. */

import Box from "@mui/material/Box";
import type { Docket } from "../../api/types";
import { ink } from "../../theme";
import { useRestsOn } from "./useRestsOn";

export const RestsOn = ({ docket }: { docket: Docket }) => {
  const lines = useRestsOn(docket);
  if (lines.length === 0) return null;
  return (
    <Box role="note" sx={{ flexShrink: 0, fontSize: 14, lineHeight: 1.3, color: ink.ochre }}>
      {lines.map((line) => (
        <div key={line}>{line}</div>
      ))}
    </Box>
  );
};
