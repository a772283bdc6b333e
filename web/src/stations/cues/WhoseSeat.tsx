/** A learner without a measured seat is told so, instead of being given somebody else's cues. */

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { ask } from "../../api/client";
import type { Docket } from "../../api/types";
import { useChangeDocket, useMay } from "../../shell/useDocket";
import { t } from "../../words";
import { seatOfAnother } from "./useRestsOn";

// Whoever has a seat never needs it.
const NewSeat = lazy(async () => ({
  default: (await import("../../desk/measuring/NewSeat")).NewSeat,
}));

export const WhoseSeat = ({ docket }: { docket: Docket }) => {
  const client = useQueryClient();
  const change = useChangeDocket();
  const may = useMay();
  const [measuring, setMeasuring] = useState(false);
  const take = useMutation({
    mutationFn: () =>
      ask.put("/api/documents/{document_id}/sitter", {
        params: { path: { document_id: docket.seat.document_id } },
        body: { sitter_id: docket.learner.id },
      }),
    onSuccess: () => client.invalidateQueries({ queryKey: ["docket"] }),
  });
  if (docket.sits_here) return null;
  const { learner, vehicle } = docket;
  return (
    <Alert severity="warning" sx={{ flexShrink: 0 }}>
      {seatOfAnother(docket)}
      {may.shape && (
        <Button size="small" color="inherit" onClick={() => setMeasuring(true)}>
          {t("measure.measure their seat")}
        </Button>
      )}
      {may.teach && docket.seat_of === "" && (
        <Button size="small" color="inherit" loading={take.isPending} onClick={() => take.mutate()}>
          {t("measure.take as theirs")}
        </Button>
      )}
      {take.error?.message}
      <Dialog open={measuring} onClose={() => setMeasuring(false)} maxWidth="md" fullWidth>
        <DialogTitle>{t("measure.measure their seat")}</DialogTitle>
        <DialogContent>
          <Suspense>
            <NewSeat
              vehicle={{ id: vehicle.document_id, body: vehicle.body }}
              whose={learner}
              kept={(made) => {
                setMeasuring(false);
                change({ seat: made });
              }}
            />
          </Suspense>
        </DialogContent>
      </Dialog>
    </Alert>
  );
};
