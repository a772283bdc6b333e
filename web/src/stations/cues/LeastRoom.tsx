/** The least room the method can use here, and a picture of what is met where there is less. */

import Box from "@mui/material/Box";
import { memo, useState } from "react";
import { leastSizesQuery } from "../../api/queries";
import type { Docket, LeastSize, VehicleBody } from "../../api/types";
import { LEAST, leastOf } from "../../places/leastWords";
import { Asked } from "../../shell/Asked";
import { length, roughly, SPARE } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { useLongWork } from "../../shell/useLongWork";
import { Working } from "../../shell/Working";
import { ink } from "../../theme";
import { t } from "../../words";
import { PlanSlab } from "./PlanSlab";

interface Props {
  docket: Docket;
  vehicle: VehicleBody;
}

export const LeastRoom = memo(({ docket, vehicle }: Props) => {
  const units = useUnits();
  const [wanted, setWanted] = useState(false);
  const least = useLongWork(leastSizesQuery(docket), wanted);
  return (
    <Asked
      question={t("cues.how little room would do")}
      title={t("cues.least room in all")}
      label={t("cues.least room")}
      wanted={wanted}
      ask={setWanted}
    >
      <Working work={least} what={t("cues.trying tighter and tighter places")} />
      {least.found?.map((size) => (
        <Size key={size.what} size={size} vehicle={vehicle} />
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t("cues.computed with 5 cm", { spare: roughly(SPARE, units) })}
      </Box>
    </Asked>
  );
});

const Size = ({ size, vehicle }: { size: LeastSize } & Omit<Props, "docket">) => {
  const units = useUnits();
  const { ground, plan } = size.tighter;
  return (
    <Box sx={{ mt: 1 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2 }}>
        <span>{t(LEAST[size.what])}</span>
        <Box component="strong" sx={{ whiteSpace: "nowrap" }}>
          {leastOf(size, units)}
        </Box>
      </Box>
      <Box sx={{ height: 150, mt: 0.5 }}>
        <PlanSlab bare plan={plan} vehicle={vehicle} ground={ground} met />
      </Box>
      <Box sx={{ fontSize: 14 }}>
        {size.metres === null ? t("cues.even then") : t("cues.less", { by: length(0.1, units) })}:{" "}
        {plan.reason.said.text}.
      </Box>
    </Box>
  );
};
