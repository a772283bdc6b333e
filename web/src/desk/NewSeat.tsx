/** Somebody's eye in a vehicle, from nothing: three readings of the tape. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { added } from "../api/added";
import { ask } from "../api/client";
import type { Entry, Metres } from "../api/types";
import { LengthField } from "../shell/LengthField";
import { useSchool } from "../shell/useDocket";
import { useStored } from "../shell/useStored";
import { t } from "../words";

interface Typed {
  name: string;
  above: Metres | null;
  behind: Metres | null;
  beside: Metres | null;
}

const NOTHING: Typed = { name: "", above: null, behind: null, beside: null };

export const NewSeat = ({ vehicle }: { vehicle: Entry<"vehicle"> }) => {
  const client = useQueryClient();
  // The driver sits toward the middle of the road.
  const sign = useSchool().keeps === "left" ? -1 : 1;
  const [typed, setTyped, forget] = useStored<Typed>(`new seat/${vehicle.id}`, NOTHING);
  const { name, above, behind, beside } = typed;
  const keep = useMutation({
    mutationFn: (eye: { x_m: Metres; y_m: Metres; z_m: Metres }) =>
      ask.post("/api/documents", {
        body: {
          kind: "seat",
          vehicle_id: vehicle.id,
          body: { format: "fair-corner/seat@1", name: name.trim(), eye },
        },
      }),
    onSuccess: async () => {
      forget();
      await added(client, "documents");
    },
  });
  const measured = above !== null && behind !== null && beside !== null && name.trim() !== "";
  return (
    <Box sx={{ display: "grid", gap: 1.5, pt: 1 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        <TextField
          size="small"
          label={t("begin.name of the seat")}
          placeholder={t("begin.like Nia, seat 4")}
          value={name}
          onChange={(e) => setTyped({ ...typed, name: e.target.value })}
        />
        <LengthField
          label={t("begin.eye above the ground")}
          metres={above}
          width={190}
          optional
          onCommit={(metres) => setTyped({ ...typed, above: metres })}
        />
        <LengthField
          label={t("begin.eye behind the front axle")}
          metres={behind}
          width={190}
          optional
          onCommit={(metres) => setTyped({ ...typed, behind: metres })}
        />
        <LengthField
          label={sign > 0 ? t("begin.eye left of middle") : t("begin.eye right of middle")}
          metres={beside}
          width={190}
          optional
          onCommit={(metres) => setTyped({ ...typed, beside: metres })}
        />
      </Box>
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("begin.how to tape an eye")} {t("seat.tape with brakes set")}
      </Typography>
      {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
      <Button
        variant="contained"
        sx={{ justifySelf: "start" }}
        disabled={!measured}
        loading={keep.isPending}
        onClick={() =>
          measured &&
          keep.mutate({
            x_m: vehicle.latest.body.wheelbase_m - behind,
            y_m: sign * beside,
            z_m: above,
          })
        }
      >
        {t("begin.keep the seat")}
      </Button>
    </Box>
  );
};
