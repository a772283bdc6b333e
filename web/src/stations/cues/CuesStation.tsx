/** Station 3: the computed cue sheet for this vehicle, seat, ground and method. */
import Box from "@mui/material/Box";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { planQuery } from "../../api/queries";
import { bodyOf, type GroundBody, type MethodBody, type VehicleBody } from "../../api/types";
import { Ribbon } from "../../drawing/Ribbon";
import { at } from "../../drawing/scrub";
import { Columns } from "../../shell/Columns";
import { Failure, Waiting } from "../../shell/states";
import { useDocket } from "../../shell/useDocket";
import { ink } from "../../theme";
import { CallList } from "./CallList";
import { Clearances } from "./Clearances";
import { CueCard } from "./CueCard";
import { PlanSlab } from "./PlanSlab";
import { SheetBar } from "./SheetBar";
import { Sliders } from "./Sliders";
import { useCueOptions } from "./useCueOptions";
import { WhyNot } from "./WhyNot";

export const CuesStation = () => {
  const docket = useDocket();
  const cue = useCueOptions(docket);
  const options = useDeferredValue(cue.options);
  const plan = useQuery({ ...planQuery(docket, options), placeholderData: keepPreviousData });
  const [s, setS] = useState<number | null>(null);
  const [active, setActive] = useState(1);
  if (plan.isPending) return <Waiting what="Working out the cues" />;
  if (!plan.data) return <Failure error={plan.error} retry={() => void plan.refetch()} />;
  const vehicle = bodyOf<VehicleBody>(docket.vehicle);
  const ground = bodyOf<GroundBody>(docket.ground);
  const method = bodyOf<MethodBody>(docket.method);
  const call = plan.data.calls[active - 1] ?? plan.data.calls[0];
  const told = call && at(plan.data.path, call.told_s_m);
  const live = s === null ? null : at(plan.data.path, s);
  return (
    <Columns least={660} upright={700}>
      <Box
        sx={{
          display: "grid",
          gridTemplateRows: "minmax(200px, 1fr) auto auto",
          gap: 1,
          minHeight: 0,
        }}
      >
        <PlanSlab plan={plan.data} vehicle={vehicle} ground={ground} live={live} active={active} />
        <Sliders plan={plan.data} method={method} options={cue.options} change={cue.change} />
        <Box sx={{ background: ink.sheet, borderRadius: 2, border: `1px solid ${ink.line}` }}>
          <Ribbon
            plan={plan.data}
            lockTurns={vehicle.steering.lock_turns}
            toward={ground.side === "left" ? 1 : -1}
            s={s}
            active={active}
            onScrub={setS}
            onCall={setActive}
          />
        </Box>
      </Box>
      <Box sx={{ display: "grid", gridTemplateRows: "minmax(0, 1fr) auto", gap: 1, minHeight: 0 }}>
        <Box sx={{ display: "flex", flexDirection: "column", gap: 1.25, overflowY: "auto" }}>
          {plan.error && <Failure error={plan.error} />}
          {!plan.data.feasible && (
            <WhyNot docket={docket} plan={plan.data} options={options} change={cue.change} />
          )}
          {call && told && (
            <CueCard
              call={call}
              pose={live ?? told}
              vehicle={vehicle}
              ground={ground}
              plan={plan.data}
              method={method}
            />
          )}
          <CallList plan={plan.data} method={method} active={active} onCall={setActive} />
          <Clearances plan={plan.data} />
        </Box>
        <SheetBar docket={docket} plan={plan.data} cue={cue} />
      </Box>
    </Columns>
  );
};
