/** The sets of this docket side by side: what changed between them and what came of it. */
import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { FinishSet } from "../../api/types";
import { length, percent, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

const change = (set: FinishSet, units: Units): string =>
  set.moved_call && set.moved_by_m
    ? `call ${set.moved_call} moved ${length(Math.abs(set.moved_by_m), units)} ${set.moved_by_m < 0 ? "earlier" : "later"}`
    : "cues as computed";

export const BeforeAfter = ({ sets, current }: { sets: FinishSet[]; current: number }) => {
  const units = useUnits();
  if (sets.length < 2) return null;
  return (
    <Paper sx={{ p: 2 }}>
      <Typography variant="h2" gutterBottom>
        Before and after
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
            <Box>
              Set {i + 1} · {change(set, units)}
            </Box>
            <Box sx={{ fontSize: 14, color: ink.soft }}>
              {set.counted === 0
                ? "nothing taped yet"
                : `${set.counted} taped, ${set.met} met · kerb bias ${length(kerb?.bias ?? null, units)}, scatter ${length(kerb?.scatter ?? null, units)} · chance ${set.advice ? percent(set.advice.chance) : "–"}`}
            </Box>
          </Box>
        );
      })}
    </Paper>
  );
};
