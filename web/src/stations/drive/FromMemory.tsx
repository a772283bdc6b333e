/** The steps from memory, in order, before the attempt: tapped one after the other. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useId, useState } from "react";
import type { Sheet } from "../../api/types";
import { ink } from "../../theme";
import { t } from "../../words";
import { shuffled } from "./chance";

interface Props {
  sheet: Sheet;
  /** In the order that was told before, empty where it was not asked yet. */
  order: readonly number[];
  keep: (order: number[]) => void;
  close: () => void;
}

export const FromMemory = ({ sheet, order, keep, close }: Props) => {
  const title = useId();
  const { steps } = sheet.method.body;
  const [laid] = useState(() => shuffled(steps.map((_, i) => i)));
  const [told, setTold] = useState<number[]>([...order]);
  const left = laid.filter((step) => !told.includes(step));
  const whole = left.length === 0;
  const right = told.filter((step, place) => step === place).length;
  return (
    <Dialog open fullWidth onClose={close} aria-labelledby={title}>
      <DialogTitle id={title}>{t("learning.steps from memory")}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1, alignContent: "start" }}>
        <Box>{t("learning.which comes first")}</Box>
        <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none", display: "grid", gap: 0.5 }}>
          {told.map((step, place) => (
            <Box component="li" key={step} sx={{ display: "flex", gap: 1, fontSize: 16 }}>
              <strong>{place + 1}</strong>
              <Box sx={{ flex: 1 }}>{steps[step]?.say}</Box>
              {whole && (
                <Box sx={{ color: step === place ? ink.teal : ink.coralText, fontWeight: 700 }}>
                  {step === place
                    ? t("learning.in place")
                    : t("learning.belongs at", { place: step + 1 })}
                </Box>
              )}
            </Box>
          ))}
        </Box>
        {left.map((step) => (
          <Button
            key={step}
            variant="outlined"
            sx={{ minHeight: 48, justifyContent: "flex-start", textAlign: "left" }}
            onClick={() => setTold([...told, step])}
          >
            {steps[step]?.say}
          </Button>
        ))}
        {whole && (
          <Box role="status" sx={{ fontSize: 18, fontWeight: 700 }}>
            {t("learning.so many in place", { right, steps: steps.length })}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button
          sx={{ minHeight: 44 }}
          disabled={told.length === 0}
          onClick={() => setTold(told.slice(0, -1))}
        >
          {t("learning.take the last back")}
        </Button>
        <Button sx={{ minHeight: 44 }} onClick={close}>
          {t("cues.close")}
        </Button>
        <Button
          variant="contained"
          sx={{ minHeight: 44 }}
          disabled={!whole}
          onClick={() => {
            keep(told);
            close();
          }}
        >
          {t("learning.keep the order")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};
