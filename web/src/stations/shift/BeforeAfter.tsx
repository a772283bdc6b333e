/** The sets that belong together: what changed between them and what came of it. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { FinishSet } from "../../api/types";
import { length, percent } from "../../shell/units";
import { useDates } from "../../shell/useDates";
import { useChangeDocket, useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

export const BeforeAfter = ({ sets, current }: { sets: FinishSet[]; current: number }) => {
  if (sets.length < 2) return null;
  return (
    <Paper component="section" aria-label={t("shift.before and after")} sx={{ p: 2 }}>
      <Typography variant="h2" gutterBottom>
        {t("shift.before and after")}
      </Typography>
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {sets.map((set, i) => (
          <SetRow key={set.sheet_id} set={set} number={i + 1} here={set.sheet_id === current} />
        ))}
      </Box>
    </Paper>
  );
};

const SetRow = ({ set, number, here }: { set: FinishSet; number: number; here: boolean }) => {
  const units = useUnits();
  const dates = useDates();
  const changeDocket = useChangeDocket();
  const kerb = set.measures.find((m) => m.measure === "kerb_m");
  return (
    <Box
      component="li"
      aria-current={here}
      sx={{
        py: 1,
        borderTop: number > 1 ? `1px solid ${ink.line}` : 0,
        fontWeight: here ? 700 : 400,
      }}
    >
      <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between" }}>
        <span>{t("shift.set", { number, made: dates.moment(set.created) })}</span>
        {!here && (
          <Button sx={{ minHeight: 44 }} onClick={() => changeDocket({ sheet: set.sheet_id })}>
            {t("shift.look at it")}
          </Button>
        )}
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 2.25, fontSize: 14, fontWeight: 400 }}>
        {number === 1 && set.changes.length === 0 && <li>{t("shift.cues as computed")}</li>}
        {set.changes.map((change) => (
          <li key={change.text}>{change.text}</li>
        ))}
      </Box>
      <Box sx={{ fontSize: 14, fontWeight: 400, color: ink.soft }}>
        {set.counted === 0
          ? t("shift.nothing taped yet")
          : t("shift.taped met kerb bias scatter", {
              counted: set.counted,
              met: set.met,
              bias: length(kerb?.bias ?? null, units),
              scatter: length(kerb?.scatter ?? null, units),
              chance: set.advice ? percent(set.advice.chance.share) : "–",
            })}{" "}
        {set.by_eye > 0 && t("shift.of them by eye", { count: set.by_eye })}
      </Box>
    </Box>
  );
};
