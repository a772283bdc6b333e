/** A plan that cannot work: the reason, and the least change that would do. */
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { remedyQuery } from "../../api/queries";
import type { Docket, Plan, PlanOptions, Remedy } from "../../api/types";
import { length, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { useLongWork } from "../../shell/useLongWork";
import { Working } from "../../shell/Working";

interface Props {
  docket: Docket;
  plan: Plan;
  options: PlanOptions;
  change: (part: Partial<PlanOptions>) => void;
}

/** What can be changed here; the rest is the place's, and changed in Ground. */
const OF_THE_SHEET: Remedy["what"][] = ["start gap", "gap ahead"];

const said = (remedy: Remedy, units: Units): string => {
  const by = length(Math.abs(remedy.by_m), units);
  const to = length(remedy.to_m, units);
  const more = remedy.by_m > 0 ? "more" : "less";
  return {
    gap: `It works with ${by} ${more} room between the parked vehicles (${to}). Change it in Ground.`,
    "start gap": `It works when you stop ${by} ${remedy.by_m > 0 ? "wider" : "closer"}, ${to} at the start.`,
    aisle: `It works where the aisle is ${by} wider (${to}). Change it in Ground.`,
    "road width": `It works where the road is ${by} wider (${to}). Choose another road or method.`,
    "bay width": `It works in a bay ${by} wider (${to}). Change it in Ground.`,
    "gap ahead": `It works when it may end ${by} ${remedy.by_m > 0 ? "farther" : "nearer"} behind the vehicle ahead (${to}).`,
  }[remedy.what];
};

export const WhyNot = ({ docket, plan, options, change }: Props) => {
  const units = useUnits();
  const remedy = useLongWork(remedyQuery(docket, options));
  const { found } = remedy;
  const apply = ({ what, to_m }: Remedy) =>
    change(what === "start gap" ? { gap_m: to_m } : { ahead_m: to_m });
  return (
    <Alert severity="error" role="alert" sx={{ flexShrink: 0, "& .MuiAlert-message": { flex: 1 } }}>
      <strong>This cannot be driven:</strong> {plan.reason.said.text}.{" "}
      <Working work={remedy} what="Looking for the least change that would do" />
      {found === null && "No single small change helps: choose another place or method."}
      {found && said(found, units)}
      {found && OF_THE_SHEET.includes(found.what) && (
        <Button size="small" onClick={() => apply(found)}>
          Make this change
        </Button>
      )}
    </Alert>
  );
};
