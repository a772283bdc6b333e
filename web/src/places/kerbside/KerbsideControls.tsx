/** Who is parked behind, and what of a kerb with parked vehicles is not drawn as a line. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { ask } from "../../api/client";
import { t } from "../../words";
import type { ControlsProps } from "../place";

/** A gap to begin with, which any car here can use, m. */
const GAP = 7.5;

export const KerbsideControls = ({ ground, readOnly, change, field }: ControlsProps) => {
  if (ground.goal.kind !== "kerbside") return null;
  const free = ground.goal.behind === null;
  return (
    <>
      <Button
        variant="outlined"
        disabled={readOnly}
        onClick={() =>
          change((body) =>
            ask.post("/api/grounds/behind", { body: { body, gap_m: free ? GAP : null } }),
          )
        }
      >
        {free ? t("places.park a vehicle behind") : t("places.take the one behind away")}
      </Button>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        {field("road_width", "places.road width")}
        {field("ahead_askew", "places.nose ahead out by", "cm")}
        {!free && field("behind_askew", "places.nose behind out by", "cm")}
      </Box>
    </>
  );
};
