/** Where it stands, said by moving the vehicle on the drawing or by figures, before the tape. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { keepPreviousData, skipToken, useMutation, useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { ask } from "../../api/client";
import { useOnline } from "../../api/line";
import type { Attempt, Pose, Sheet, StatedReadings, VehicleBody } from "../../api/types";
import { placed as at, type Bounds } from "../../drawing/frame";
import { PoseHandles } from "../../drawing/PoseHandles";
import { Slab } from "../../drawing/Slab";
import { bodyCorners, VehicleShape } from "../../drawing/VehicleShape";
import { type FinishWords, PLACES } from "../../places";
import { LengthField } from "../../shell/LengthField";
import { t } from "../../words";
import { NOTHING, statedReadings, type TypedReadings } from "./typed";
import { useNotingOf } from "./useNotingOf";

interface Props {
  sheet: Sheet;
  attempt: Attempt;
  words: FinishWords;
  close: () => void;
}

/** Clear of where it should be, so that the drawing puts no answer into anybody's mouth. */
const offered = ({ plan }: Sheet): Pose => ({
  ...plan.final,
  x_m: plan.final.x_m + 0.6 * plan.drawing.away[0],
  y_m: plan.final.y_m + 0.6 * plan.drawing.away[1],
});

/** Room for it to be moved about in, m. */
const ROOM = 2.5;

const around = (vehicle: VehicleBody, pose: Pose): Bounds => {
  const corners = bodyCorners(vehicle).map((corner) => at(pose, corner));
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  return {
    left: Math.min(...xs) - ROOM,
    right: Math.max(...xs) + ROOM,
    bottom: Math.min(...ys) - ROOM / 2,
    top: Math.max(...ys) + ROOM / 2,
  };
};

/** Where the vehicle was put; and the figures that move it from there, once any was typed. */
interface Said {
  pose: Pose;
  typed?: TypedReadings;
}

const FIELDS = ["kerb_front_m", "kerb_rear_m", "ahead_m", "behind_m"] as const;
/** Which of the plan's lines each is measured on: where there is none, there is nothing to say. */
const LINES = {
  kerb_front_m: "kerb_front",
  kerb_rear_m: "kerb_rear",
  ahead_m: "ahead",
  behind_m: "behind",
} as const;

export const SayStand = ({ sheet, attempt, words, close }: Props) => {
  const title = useId();
  const online = useOnline();
  const noting = useNotingOf(attempt);
  // Null until somebody says something: what the drawing offers was said by nobody.
  const [said, setSaid] = useState<Said | null>(null);
  const asked = said && {
    pose: said.pose,
    readings: said.typed ? statedReadings(said.typed) : null,
  };
  const path = { attempt_id: attempt.id };
  const stood = useQuery({
    queryKey: ["stood", attempt.id, asked],
    queryFn: asked
      ? ({ signal }) =>
          ask.post("/api/attempts/{attempt_id}/stood", { params: { path }, body: asked, signal })
      : skipToken,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = useMutation({
    mutationFn: (readings: StatedReadings) => noting("stated", "put", "stated", readings),
    onSuccess: close,
  });
  const typed = said?.typed;
  // What was typed stands at once: the next figure is typed before the answer to this one comes.
  const shown = typed ?? { ...NOTHING, ...(said && stood.data?.readings) };
  const readings = statedReadings(shown);
  const pose = (typed && stood.data?.pose) ?? said?.pose ?? offered(sheet);
  const lines = sheet.plan.drawing.dimensions.map(({ what }) => what);
  const ground = sheet.ground.body;
  const { Scene } = PLACES[ground.goal.kind];
  const error = keep.error ?? stood.error;
  return (
    <Dialog open fullWidth maxWidth="lg" onClose={close} aria-labelledby={title}>
      <DialogTitle id={title}>{t("learning.where does it stand")}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1, alignContent: "start" }}>
        <Box>{t("learning.before anybody measures")}</Box>
        <Box sx={{ height: { xs: 300, md: 400 } }}>
          <Slab
            named={false}
            bounds={around(sheet.vehicle.body, sheet.plan.final)}
            label={t("learning.where it is said to stand")}
            overlay={
              <PoseHandles
                vehicle={sheet.vehicle.body}
                pose={pose}
                change={(next) => setSaid({ pose: next })}
              />
            }
          >
            <Scene ground={ground} />
            <VehicleShape vehicle={sheet.vehicle.body} pose={pose} look="live" />
          </Slab>
        </Box>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, pt: 1 }}>
          {FIELDS.filter((name) => lines.includes(LINES[name])).map((name) => (
            <LengthField
              key={name}
              label={words[name]}
              metres={shown[name]}
              bare={name.startsWith("kerb") ? "cm" : "m"}
              optional
              width={170}
              onCommit={(metres) => setSaid({ pose, typed: { ...shown, [name]: metres } })}
            />
          ))}
        </Box>
        {error && <Alert severity="error">{error.message}</Alert>}
        {!online && (
          <Alert severity="info" role="note">
            {t("learning.figures without a line")}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button sx={{ minHeight: 44 }} onClick={close}>
          {t("cues.close")}
        </Button>
        <Button
          variant="contained"
          sx={{ minHeight: 44 }}
          // What was dragged is figures only once the core has said so; what was typed is already.
          disabled={
            !readings || ((online || !typed) && (stood.isPlaceholderData || !stood.isSuccess))
          }
          loading={keep.isPending}
          onClick={() => readings && keep.mutate(readings)}
        >
          {t("learning.that is where it stands")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};
