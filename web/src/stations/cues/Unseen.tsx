/** Which calls wait for something that does not show as the driver sits. */

import Alert from "@mui/material/Alert";
import ButtonBase from "@mui/material/ButtonBase";
import { memo } from "react";
import type { Call, Plan } from "../../api/types";
import { t } from "../../words";

interface Props {
  plan: Plan;
  onCall: (number: number) => void;
}

/** Whether there is something to line up on, but it is hidden. */
export const isUnseen = (call: Call): boolean => call.cues[0]?.through === null;

export const Unseen = memo(({ plan, onCall }: Props) => {
  const calls = plan.calls.filter(isUnseen);
  if (calls.length === 0) return null;
  return (
    <Alert severity="warning" sx={{ flexShrink: 0, py: 0, alignItems: "center" }}>
      {t("cues.not to be seen")}{" "}
      {calls.map((call) => (
        <ButtonBase
          key={call.number}
          onClick={() => onCall(call.number)}
          sx={{ minHeight: 44, font: "inherit", fontWeight: 700, textDecoration: "underline" }}
        >
          {t("drive.call", { number: call.number })}
        </ButtonBase>
      ))}
    </Alert>
  );
});
