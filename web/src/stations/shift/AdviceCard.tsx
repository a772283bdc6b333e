/** The advice with its evidence, and taking it. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useLocation, useNavigate } from "react-router";
import { ask } from "../../api/client";
import type { FinishSet, Sheet } from "../../api/types";
import { percent } from "../../shell/units";
import { useMay, without } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

interface Props {
  sheet: Sheet;
  finishes: FinishSet;
}

export const AdviceCard = ({ sheet, finishes }: Props) => {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { search } = useLocation();
  const teaches = useMay().teach;
  const advice = finishes.advice;
  const take = useMutation({
    mutationFn: () => ask.post("/api/sets/take", { body: { sheet: sheet.id } }),
    onSuccess: async () => {
      for (const key of ["docket", "sets"]) await client.invalidateQueries({ queryKey: [key] });
      navigate({ pathname: "/cues", search: without(search, "sheet") });
    },
  });
  if (!advice) return <Alert severity="info">{t("shift.tape a second attempt")}</Alert>;
  const method = sheet.method.body;
  const step = advice.call ? method.steps[advice.call]?.say : null;
  return (
    <Paper aria-label={t("shift.advice")} role="region" sx={{ p: 2, display: "grid", gap: 1 }}>
      <Typography variant="h1" component="h2">
        {advice.said.text}
      </Typography>
      {step && <Box sx={{ fontWeight: 650 }}>{step}</Box>}
      <Box sx={{ fontSize: 15 }}>{advice.because.text}</Box>
      <Box sx={{ display: "flex", gap: 3, my: 0.5 }}>
        <Chance chance={advice.chance} label={t("shift.chance of a finish without")} />
        {advice.kind === "move cue" && (
          <Chance chance={advice.chance_after} label={t("shift.predicted once the cue")} />
        )}
      </Box>
      <Box sx={{ fontSize: 13, color: ink.soft }}>
        {t(
          finishes.met_whole < finishes.met
            ? "shift.taped attempts met as watched"
            : "shift.taped attempts met the whole",
          { counted: finishes.counted, met: finishes.met, whole: finishes.met_whole },
        )}{" "}
        {finishes.by_eye > 0 && t("shift.of them by eye", { count: finishes.by_eye })}
      </Box>
      {take.error && <Alert severity="error">{take.error.message}</Alert>}
      {advice.kind === "move cue" && teaches && (
        <Button
          variant="contained"
          size="large"
          loading={take.isPending}
          onClick={() => take.mutate()}
        >
          {t("shift.move the cue")}
        </Button>
      )}
    </Paper>
  );
};

type Stated = NonNullable<FinishSet["advice"]>["chance"];

const Chance = ({ chance, label }: { chance: Stated; label: string }) => (
  <Box sx={{ flex: 1 }}>
    <Box sx={{ fontSize: 30, fontWeight: 750, color: ink.teal }}>{percent(chance.share)}</Box>
    <Box sx={{ fontSize: 14 }}>
      {t("shift.between", { low: percent(chance.low), high: percent(chance.high) })}
    </Box>
    <Box sx={{ fontSize: 13, color: ink.soft }}>{label}</Box>
  </Box>
);
