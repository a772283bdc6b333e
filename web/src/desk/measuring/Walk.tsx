/** Where one is on the walk round a vehicle: what comes now, how it is taped, what looks wrong. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { Slip } from "../../api/types";
import { ink } from "../../theme";
import { t } from "../../words";
import { type Step, WALK } from "./walk";

interface Props {
  now: Step;
  go: (step: Step) => void;
  labels: Readonly<Record<string, string>>;
  /** Which are measured by now. */
  done: ReadonlySet<string>;
  slips: readonly Slip[];
  take: (field: string, value: number) => void;
}

export const Walk = ({ now, go, labels, done, slips, take }: Props) => {
  const at = WALK.findIndex((one) => one.step === now);
  const step = WALK[at];
  const [before, next] = [WALK[at - 1], WALK[at + 1]];
  if (!step) return null;
  return (
    <Paper variant="outlined" sx={{ p: 1.5, display: "grid", gap: 1, alignContent: "start" }}>
      <Typography variant="h3" aria-live="polite">
        {t("measure.step of", { number: at + 1, count: WALK.length })} {labels[now]}
      </Typography>
      <Typography sx={{ fontSize: 14 }}>{t(step.how)}</Typography>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button size="small" disabled={!before} onClick={() => before && go(before.step)}>
          {t("measure.back")}
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={!next}
          onClick={() => next && go(next.step)}
        >
          {t("measure.next")}
        </Button>
      </Box>
      <Box
        component="ol"
        sx={{ m: 0, p: 0, listStyle: "none", display: "flex", flexWrap: "wrap", gap: 0.5 }}
      >
        {WALK.map(({ step: one }, i) => (
          <li key={one}>
            <Box
              component="button"
              type="button"
              aria-label={`${i + 1} · ${labels[one]}: ${t(done.has(one) ? "measure.measured" : "measure.open")}`}
              aria-current={one === now ? "step" : undefined}
              onClick={() => go(one)}
              sx={{
                width: 28,
                height: 28,
                borderRadius: "50%",
                font: "inherit",
                fontSize: 13,
                fontWeight: 700,
                cursor: "pointer",
                border: `2px solid ${one === now ? ink.coral : ink.teal}`,
                background: done.has(one) ? ink.teal : ink.sheet,
                color: done.has(one) ? "#fff" : ink.teal,
                "@media (pointer: coarse)": { width: 44, height: 44 },
              }}
            >
              {i + 1}
            </Box>
          </li>
        ))}
      </Box>
      <Slips slips={slips} labels={labels} take={take} />
    </Paper>
  );
};

/** Measures that are unlike their kind, each with what it would be without the likely slip. */
export const Slips = ({ slips, labels, take }: Pick<Props, "slips" | "labels" | "take">) => (
  <>
    {slips.map(({ field, said, instead }) => (
      <Alert
        key={field}
        severity="warning"
        action={
          instead !== null && (
            <Button size="small" color="inherit" onClick={() => take(field, instead)}>
              {t("measure.take it")}
            </Button>
          )
        }
      >
        {labels[field] ?? field}: {said.text}.
      </Alert>
    ))}
  </>
);
