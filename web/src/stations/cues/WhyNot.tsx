/** A plan that cannot work: the reason, and the least change that would do. */

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { remedyQuery } from "../../api/queries";
import type { Docket, Plan, PlanOptions, Remedy } from "../../api/types";
import { length, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { useLongWork } from "../../shell/useLongWork";
import { Working } from "../../shell/Working";
import { t } from "../../words";

interface Props {
  docket: Docket;
  plan: Plan;
  options: PlanOptions;
  change: (part: Partial<PlanOptions>) => void;
}

/** What can be changed here; the rest is the place's, and changed in Ground. */
const OF_THE_SHEET: Remedy["what"][] = ["start gap", "gap ahead"];

const said = (remedy: Remedy, units: Units): string => {
  const figures = { by: length(Math.abs(remedy.by_m), units), to: length(remedy.to_m, units) };
  return remedy.by_m > 0
    ? t(`cues.works with more ${remedy.what}`, figures)
    : t(`cues.works with less ${remedy.what}`, figures);
};

export const WhyNot = ({ docket, plan, options, change }: Props) => {
  const units = useUnits();
  const remedy = useLongWork(remedyQuery(docket, options));
  const { found } = remedy;
  const apply = ({ what, to_m }: Remedy) =>
    change(what === "start gap" ? { gap_m: to_m } : { ahead_m: to_m });
  return (
    <Alert severity="error" role="alert" sx={{ flexShrink: 0, "& .MuiAlert-message": { flex: 1 } }}>
      <strong>{t("cues.this cannot be driven")}</strong> {plan.reason.said.text}.{" "}
      <Working work={remedy} what={t("cues.looking for the least change")} />
      {found === null && t("cues.no single small change helps")}
      {found && said(found, units)}
      {found && OF_THE_SHEET.includes(found.what) && (
        <Button size="small" onClick={() => apply(found)}>
          {t("cues.make this change")}
        </Button>
      )}
    </Alert>
  );
};
