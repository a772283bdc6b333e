/** Whether the body of what turns round may reach over the kerbs. */

import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import { ask } from "../../api/client";
import { t } from "../../words";
import type { ControlsProps } from "../place";

export const TurnaboutControls = ({ ground, readOnly, change }: ControlsProps) => {
  if (ground.goal.kind !== "turnabout") return null;
  return (
    <FormControlLabel
      sx={{ mx: 0, gap: 0.5 }}
      control={
        <Switch
          edge="start"
          checked={ground.goal.overhang}
          disabled={readOnly}
          onChange={(_, overhang) =>
            change((body) => ask.post("/api/grounds/road", { body: { body, overhang } }))
          }
        />
      }
      label={t("places.the body may reach over")}
    />
  );
};
