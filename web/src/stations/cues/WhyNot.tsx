/** A plan that cannot work: the reason, and the least change that would do. */

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { remedyQuery } from "../../api/queries";
import type { Docket, Plan, PlanOptions } from "../../api/types";
import { useLongWork } from "../../shell/useLongWork";
import { Working } from "../../shell/Working";
import { t } from "../../words";

interface Props {
  docket: Docket;
  plan: Plan;
  options: PlanOptions;
  change: (part: Partial<PlanOptions>) => void;
}

export const WhyNot = ({ docket, plan, options, change }: Props) => {
  const remedy = useLongWork(remedyQuery(docket, options));
  const { found } = remedy;
  return (
    <Alert severity="error" role="alert" sx={{ flexShrink: 0, "& .MuiAlert-message": { flex: 1 } }}>
      <strong>{t("cues.this cannot be driven")}</strong> {plan.reason.said.text}.{" "}
      <Working work={remedy} what={t("cues.looking for the least change")} />
      {found === null && t("cues.no single small change helps")}
      {found?.said.text}
      {found?.option && (
        <Button size="small" onClick={() => change({ [found.option as string]: found.to_m })}>
          {t("cues.make this change")}
        </Button>
      )}
    </Alert>
  );
};
