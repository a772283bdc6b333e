/** A method drawn for this vehicle, at the docket's place or at the one that it brings. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { inTheWay } from "../api/client";
import { NO_OPTIONS, planQuery } from "../api/queries";
import { PLACES } from "../places";
import { PlanSlab } from "../stations/cues/PlanSlab";
import { ink } from "../theme";
import { t } from "../words";
import { Failure, Waiting } from "./states";
import type { MethodChoice } from "./useMethods";

/** A method that ends at a kind of place that nobody has laid out yet. */
const Elsewhere = ({ method }: { method: MethodChoice }) => (
  <Box sx={{ display: "grid", placeItems: "center", background: ink.tarmac, color: "#fff", p: 2 }}>
    {t("shell.lay out such a place first", { ends: t(PLACES[method.goal].ends) })}
  </Box>
);

interface PictureProps {
  method: MethodChoice;
  /** Only the drawing, without a word on whether it goes. */
  plain?: boolean;
}

export const MethodPicture = ({ method, plain = false }: PictureProps) => {
  const plan = useQuery({ ...planQuery(method.docket, NO_OPTIONS), enabled: method.placed });
  if (!method.placed) return <Elsewhere method={method} />;
  const failed = inTheWay(plan);
  if (failed) return <Failure error={failed} />;
  if (!plan.data) return <Waiting what={t("shell.drawing it")} />;
  return (
    <Box sx={{ position: "relative", height: "100%", minHeight: 0 }}>
      <PlanSlab
        bare
        plan={plan.data}
        vehicle={method.docket.vehicle.body}
        ground={method.docket.ground.body}
      />
      {!plan.data.feasible && !plain && (
        <Box
          sx={{
            position: "absolute",
            inset: "auto 8px 8px 8px",
            px: 1,
            py: 0.5,
            borderRadius: 1,
            background: ink.sheet,
            color: ink.coralText,
            fontSize: 13,
            fontWeight: 700,
          }}
        >
          {t("shell.cannot be driven here")}
        </Box>
      )}
    </Box>
  );
};
