import Alert from "@mui/material/Alert";
import type { Docket } from "../../api/types";
import { useRestsOn } from "./useRestsOn";

export const RestsOn = ({ docket }: { docket: Docket }) => {
  const lines = useRestsOn(docket);
  if (lines.length === 0) return null;
  return (
    <Alert severity="info" role="note" sx={{ flexShrink: 0, py: 0 }}>
      {lines.map((line) => (
        <div key={line}>{line}</div>
      ))}
    </Alert>
  );
};
