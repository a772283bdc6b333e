/** A circle from three chalk marks on part of it, where there is no room to drive it whole. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { skipToken, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../../api/client";
import type { Metres } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

export const CircleByChalk = ({ take }: { take: (circle: Metres) => void }) => {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" sx={{ alignSelf: "center" }} onClick={() => setOpen(true)}>
        {t("measure.from chalk marks")}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} maxWidth="xs" fullWidth>
        {open && <Marks take={take} close={() => setOpen(false)} />}
      </Dialog>
    </>
  );
};

interface MarksProps {
  take: (circle: Metres) => void;
  close: () => void;
}

const Marks = ({ take, close }: MarksProps) => {
  const units = useUnits();
  const [chord, setChord] = useState<Metres | null>(null);
  const [rise, setRise] = useState<Metres | null>(null);
  const body = chord !== null && rise !== null ? { chord_m: chord, rise_m: rise } : null;
  const found = useQuery({
    queryKey: ["circle", body],
    queryFn: body ? ({ signal }) => ask.post("/api/vehicles/circle", { body, signal }) : skipToken,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <>
      <DialogTitle>{t("measure.a circle from chalk marks")}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1.5 }}>
        <Sketch />
        <Typography sx={{ fontSize: 14 }}>{t("measure.how chalk marks")}</Typography>
        <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", pt: 1 }}>
          <LengthField
            label={t("measure.between the outer marks")}
            metres={chord}
            width={190}
            optional
            onCommit={setChord}
          />
          <LengthField
            label={t("measure.off the line")}
            metres={rise}
            width={190}
            optional
            onCommit={setRise}
          />
        </Box>
        {found.error && <Alert severity="error">{found.error.message}</Alert>}
        {found.data && (
          <Typography sx={{ fontSize: 18, fontWeight: 700 }} role="status">
            {t("measure.circle found", {
              circle: length(found.data.kerb_circle_m, units),
              off: length(found.data.uncertain_m, units),
            })}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>{t("shell.cancel")}</Button>
        <Button
          variant="contained"
          disabled={!found.data}
          onClick={() => {
            if (found.data) take(Number(found.data.kerb_circle_m.toFixed(2)));
            close();
          }}
        >
          {t("measure.take it")}
        </Button>
      </DialogActions>
    </>
  );
};

/** What is taped: the outer tyre's arc, a mark at either end and one in the middle. */
const Sketch = () => (
  <svg
    viewBox="0 0 320 130"
    width="100%"
    role="img"
    aria-label={t("measure.sketch of chalk marks")}
  >
    <rect width={320} height={130} rx={8} fill={ink.tarmac} />
    <path d="M30 95A180 180 0 0 1 290 95" fill="none" stroke={ink.marigold} strokeWidth={3} />
    <path d="M30 95H290" stroke={ink.chalk} strokeWidth={1.5} strokeDasharray="6 4" />
    <path d="M160 41V95" stroke={ink.coral} strokeWidth={2.5} />
    {[
      [30, 95],
      [160, 41],
      [290, 95],
    ].map(([x, y]) => (
      <circle key={x} cx={x} cy={y} r={6} fill="#fff" stroke={ink.ink} />
    ))}
    <g fill="#fff" fontSize={13} fontWeight={600}>
      <text x={160} y={116} textAnchor="middle">
        {t("measure.between the outer marks")}
      </text>
      <text x={160} y={27} textAnchor="middle">
        {t("measure.off the line")}
      </text>
    </g>
  </svg>
);
