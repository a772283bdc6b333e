/** The advice with its evidence, and taking it. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useLocation, useNavigate } from "react-router";
import { api, dataOf } from "../../api/client";
import { bodyOf, type FinishSet, type MethodBody, type Sheet } from "../../api/types";
import { length, percent, type Units } from "../../shell/units";
import { useRole, useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

interface Props {
  sheet: Sheet;
  finishes: FinishSet;
}

type Advice = NonNullable<FinishSet["advice"]>;

const headline = (advice: Advice, units: Units): string =>
  ({
    "too few": `${advice.needed} attempts are needed before a judgement`,
    "move cue": `Move call ${advice.call}: ${length(Math.abs(advice.by_m), units)} ${advice.by_m < 0 ? "earlier" : "later"}`,
    practise: advice.call
      ? `The cue is right: practise call ${advice.call}`
      : "The cue is right: practise",
    "move on": "The cue is right and the hand steady: move on",
  })[advice.kind];

const reason = (advice: Advice, count: number): string => {
  const p = advice.p_value;
  const odds =
    p !== null && p !== undefined && p < 0.001
      ? "less than once in 1000"
      : `${percent(p ?? 1)} of the time`;
  return {
    "too few": `${count} so far. A mean of so few says little about the next one.`,
    "move cue": `A bias like this would come by chance ${odds}. Moving this one call takes ${percent(advice.explained)} of it away.`,
    practise: `The misses scatter to all sides${advice.call ? `; ${percent(advice.scatter_share[advice.call - 1] ?? 0)} of that scatter looks like call ${advice.call}` : ""}. Moving a cue would not help.`,
    "move on": "No bias that does harm, and little scatter.",
  }[advice.kind];
};

export const AdviceCard = ({ sheet, finishes }: Props) => {
  const units = useUnits();
  const client = useQueryClient();
  const navigate = useNavigate();
  const { search } = useLocation();
  const teaches = useRole() !== "learner";
  const advice = finishes.advice;
  const take = useMutation({
    mutationFn: async () => dataOf(await api.POST("/api/sets/take", { body: { sheet: sheet.id } })),
    onSuccess: async () => {
      for (const key of ["docket", "sets"]) await client.invalidateQueries({ queryKey: [key] });
      navigate({ pathname: "/cues", search });
    },
  });
  if (!advice) return <Alert severity="info">Tape a second attempt to see bias and scatter.</Alert>;
  const method = bodyOf<MethodBody>(sheet.method);
  const step = advice.call ? method.steps[advice.call]?.say : null;
  return (
    <Paper aria-label="Advice" role="region" sx={{ p: 2, display: "grid", gap: 1 }}>
      <Typography variant="h1">{headline(advice, units)}</Typography>
      {step && <Box sx={{ fontWeight: 650 }}>{step}</Box>}
      <Box sx={{ fontSize: 15 }}>{reason(advice, finishes.counted)}</Box>
      <Box sx={{ display: "flex", gap: 3, my: 0.5 }}>
        <Chance share={advice.chance} label="chance of a finish without a fault" />
        {advice.kind === "move cue" && (
          <Chance share={advice.chance_after} label="predicted once the cue is moved" />
        )}
      </Box>
      <Box sx={{ fontSize: 13, color: ink.soft }}>
        {finishes.counted} taped attempts; {finishes.met} met the whole standard, looks and touches
        included. A small fault still meets it. Chances are for a faultless finish, computed from
        the set.
      </Box>
      {take.error && <Alert severity="error">{take.error.message}</Alert>}
      {advice.kind === "move cue" && teaches && (
        <Button
          variant="contained"
          size="large"
          loading={take.isPending}
          onClick={() => take.mutate()}
        >
          Move the cue
        </Button>
      )}
    </Paper>
  );
};

const Chance = ({ share, label }: { share: number; label: string }) => (
  <Box sx={{ flex: 1 }}>
    <Box sx={{ fontSize: 30, fontWeight: 750, color: ink.teal }}>{percent(share)}</Box>
    <Box sx={{ fontSize: 13, color: ink.soft }}>{label}</Box>
  </Box>
);
