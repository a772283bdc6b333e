/** The call being explained: its sight picture, its sentence, how sharp it is. */

import Box from "@mui/material/Box";
import Chip from "@mui/material/Chip";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { memo } from "react";
import type { Call, GroundBody, MethodBody, Plan, Pose, VehicleBody } from "../../api/types";
import { SightPicture } from "../../drawing/SightPicture";
import { Term } from "../../shell/Term";
import { t } from "../../words";
import { Moved, marksAssumed, useAssumed, useSharp } from "./told";

interface Props {
  call: Call;
  pose: Pose;
  vehicle: VehicleBody;
  ground: GroundBody;
  plan: Plan;
  method: MethodBody;
}

export const CueCard = memo(({ call, pose, vehicle, ground, plan, method }: Props) => {
  const cue = call.cues[0];
  const sharp = useSharp(call);
  const assumed = useAssumed(plan);
  return (
    <Paper
      sx={{
        overflow: "hidden",
        flexShrink: 0,
        display: { xs: "block", sm: "grid", md: "block" },
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
        <Moved call={call} />
        <Box sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1, fontSize: 13 }}>
          {sharp && (
            <Chip
              size="small"
              color="primary"
              variant="outlined"
              label={<Term means={t("terms.sharp", { assumed })}>{sharp}</Term>}
            />
          )}
        </Box>
        <Typography sx={{ fontSize: 13, mt: 0.75 }} color="text.secondary">
          {cue?.leant.text}
        </Typography>
        {marksAssumed(vehicle) && (
          <Typography sx={{ fontSize: 13, mt: 0.75 }}>{t("cues.marks are assumed")}</Typography>
        )}
      </Box>
    </Paper>
  );
});
