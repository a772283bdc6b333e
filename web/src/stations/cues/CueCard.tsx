/** The call being explained: its sight picture, its sentence, how sharp it is. */

import Box from "@mui/material/Box";
import Chip from "@mui/material/Chip";
import Paper from "@mui/material/Paper";
import Tooltip from "@mui/material/Tooltip";
import Typography from "@mui/material/Typography";
import type { Call, GroundBody, MethodBody, Plan, Pose, VehicleBody } from "../../api/types";
import { SightPicture } from "../../drawing/SightPicture";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { decimal, t } from "../../words";

interface Props {
  call: Call;
  pose: Pose;
  vehicle: VehicleBody;
  ground: GroundBody;
  plan: Plan;
  method: MethodBody;
}

export const CueCard = ({ call, pose, vehicle, ground, plan, method }: Props) => {
  const units = useUnits();
  const cue = call.cues[0];
  const shift = call.told_s_m - call.s_m;
  const moved = { by: length(Math.abs(shift), units) };
  const assumed = t("cues.assumes an eye that tells", {
    acuity: decimal(plan.assumed.acuity_deg),
    reaction: decimal(plan.assumed.reaction_scatter_s),
    crawl: decimal(plan.assumed.crawl_m_per_s),
  });
  return (
    <Paper
      sx={{
        overflow: "hidden",
        flexShrink: 0,
        display: { xs: "grid", md: "block" },
        gridTemplateColumns: "320px minmax(0, 1fr)",
      }}
    >
      <SightPicture call={call} pose={pose} vehicle={vehicle} ground={ground} />
      <Box sx={{ p: 1.5, pt: 1 }}>
        <Typography variant="h2" sx={{ lineHeight: 1.25 }}>
          {t("cues.call", { number: call.number, say: method.steps[call.leg]?.say })}
        </Typography>
        <Typography sx={{ fontSize: 14, mt: 0.5 }}>{call.seen.text}</Typography>
        {call.instead.text && (
          <Typography sx={{ fontSize: 14, mt: 0.5, fontWeight: 700 }}>
            {call.instead.text}
          </Typography>
        )}
        {Math.abs(shift) > 0.005 && (
          <Typography sx={{ fontSize: 14, mt: 0.5, fontWeight: 700 }}>
            {shift < 0 ? t("cues.moved earlier", moved) : t("cues.moved later", moved)}
          </Typography>
        )}
        <Box sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1, fontSize: 13 }}>
          {cue?.through && cue.scatter_m !== null && (
            <Tooltip title={assumed}>
              <Chip
                size="small"
                color="primary"
                variant="outlined"
                label={t("cues.sharp to computed", { to: length(cue.scatter_m, units) })}
              />
            </Tooltip>
          )}
        </Box>
        <Typography sx={{ fontSize: 13, mt: 0.75 }} color="text.secondary">
          {cue?.leant.text}
        </Typography>
      </Box>
    </Paper>
  );
};
