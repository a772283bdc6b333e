/** Where it stands, said by moving the vehicle on the drawing or by figures, before the tape. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useId, useState } from "react";
import { ask } from "../../api/client";
import type { Attempt, Pose, Readings, Sheet, VehicleBody } from "../../api/types";
import { type Bounds, placed } from "../../drawing/frame";
import { PoseHandles } from "../../drawing/PoseHandles";
import { Slab } from "../../drawing/Slab";
import { bodyCorners, VehicleShape } from "../../drawing/VehicleShape";
import { type FinishWords, PLACES } from "../../places";
import { LengthField } from "../../shell/LengthField";
import { t } from "../../words";

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
  const corners = bodyCorners(vehicle).map((corner) => placed(pose, corner));
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  return {
    left: Math.min(...xs) - ROOM,
    right: Math.max(...xs) + ROOM,
    bottom: Math.min(...ys) - ROOM / 2,
    top: Math.max(...ys) + ROOM / 2,
  };
};

/** Told by one of the two; the core says the other. */
type Told = { pose: Pose } | { readings: Readings };

const FIELDS = ["kerb_front_m", "kerb_rear_m", "ahead_m", "behind_m"] as const;

export const SayStand = ({ sheet, attempt, words, close }: Props) => {
  const title = useId();
  const client = useQueryClient();
  const [told, setTold] = useState<Told>({ pose: offered(sheet) });
  const path = { attempt_id: attempt.id };
  const stood = useQuery({
    queryKey: ["stood", attempt.id, told],
    queryFn: ({ signal }) =>
      ask.post("/api/attempts/{attempt_id}/stood", { params: { path }, body: told, signal }),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = useMutation({
    mutationFn: (readings: Readings) =>
      ask.put("/api/attempts/{attempt_id}/stated", { params: { path }, body: readings }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ["attempts"] });
      close();
    },
  });
  // What was typed stands at once: the next figure is typed before the answer to this one comes.
  const readings = "readings" in told ? told.readings : (stood.data?.readings ?? null);
  const pose = "pose" in told ? told.pose : (stood.data?.pose ?? offered(sheet));
  // What nobody moved or typed was said by nobody.
  const [moved, setMoved] = useState(false);
  const tell = (next: Told) => {
    setMoved(true);
    setTold(next);
  };
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
                change={(next) => tell({ pose: next })}
              />
            }
          >
            <Scene ground={ground} />
            <VehicleShape vehicle={sheet.vehicle.body} pose={pose} look="live" />
          </Slab>
        </Box>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, pt: 1 }}>
          {readings &&
            FIELDS.map(
              (name) =>
                (readings[name] ?? null) !== null && (
                  <LengthField
                    key={name}
                    label={words[name]}
                    metres={readings[name] ?? null}
                    bare={name.startsWith("kerb") ? "cm" : "m"}
                    width={170}
                    onCommit={(metres) =>
                      metres !== null && tell({ readings: { ...readings, [name]: metres } })
                    }
                  />
                ),
            )}
        </Box>
        {error && <Alert severity="error">{error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button sx={{ minHeight: 44 }} onClick={close}>
          {t("cues.close")}
        </Button>
        <Button
          variant="contained"
          sx={{ minHeight: 44 }}
          disabled={!moved || !readings || stood.isPlaceholderData || stood.isError}
          loading={keep.isPending}
          onClick={() => readings && keep.mutate(readings)}
        >
          {t("learning.that is where it stands")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};
