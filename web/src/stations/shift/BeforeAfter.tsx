/** The sets of this docket side by side: what changed between them and what came of it. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { FinishSet } from "../../api/types";
import { length, percent, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

const change = ({ moved_call, moved_by_m }: FinishSet, units: Units): string => {
  if (!moved_call || !moved_by_m) return t("shift.cues as computed");
  const moved = { call: moved_call, by: length(Math.abs(moved_by_m), units) };
  return moved_by_m < 0 ? t("shift.call moved earlier", moved) : t("shift.call moved later", moved);
};

export const BeforeAfter = ({ sets, current }: { sets: FinishSet[]; current: number }) => {
  const units = useUnits();
  if (sets.length < 2) return null;
  return (
    <Paper sx={{ p: 2 }}>
      <Typography variant="h2" gutterBottom>
        {t("shift.before and after")}
      </Typography>
      {sets.map((set, i) => {
        const kerb = set.measures.find((m) => m.measure === "kerb_m");
        return (
          <Box
            key={set.sheet_id}
            sx={{
              py: 1,
              borderTop: i ? `1px solid ${ink.line}` : 0,
              fontWeight: set.sheet_id === current ? 700 : 400,
            }}
          >
            <Box>{t("shift.set", { number: i + 1, change: change(set, units) })}</Box>
            <Box sx={{ fontSize: 14, color: ink.soft }}>
              {set.counted === 0
                ? t("shift.nothing taped yet")
                : t("shift.taped met kerb bias scatter", {
                    counted: set.counted,
                    met: set.met,
                    bias: length(kerb?.bias ?? null, units),
                    scatter: length(kerb?.scatter ?? null, units),
                    chance: set.advice ? percent(set.advice.chance) : "–",
                  })}
            </Box>
          </Box>
        );
      })}
    </Paper>
  );
};
