/** How wide a road has to be for each way of turning round in it: a property of the vehicle. */

import Box from "@mui/material/Box";
import { leastSizesQuery } from "../../api/queries";
import { Panel } from "../../shell/Panel";
import { roughly, SPARE } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { useLongWork } from "../../shell/useLongWork";
import { type MethodChoice, useMethods } from "../../shell/useMethods";
import { Working } from "../../shell/Working";
import { ink } from "../../theme";
import { t } from "../../words";
import { leastOf } from "../leastWords";

export const TurnWidths = () => {
  const units = useUnits();
  const methods = useMethods()
    .filter((method) => method.suits)
    .sort((a, b) => a.body.steps.length - b.body.steps.length);
  return (
    <Panel label={t("places.width of road it needs")}>
      {methods.map((method) => (
        <Width key={method.id} method={method} />
      ))}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t("places.kerb to kerb", { spare: roughly(SPARE, units) })}
      </Box>
    </Panel>
  );
};

const Width = ({ method }: { method: MethodChoice }) => {
  const units = useUnits();
  const least = useLongWork(leastSizesQuery(method.docket));
  const [size] = least.found ?? [];
  if (!size) return <Working work={least} what={method.name} />;
  return (
    <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2 }}>
      <span>{method.name}</span>
      <strong>{leastOf(size, units)}</strong>
    </Box>
  );
};
