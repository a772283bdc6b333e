/** Recap by recall: the learner says the steps, and each is noted as it came. */

import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import type { Exercise, Recap } from "../api/types";
import { ink } from "../theme";
import { t } from "../words";
import { RECALLED, recalled, stepsOf } from "./recap";

interface Props {
  exercises: Exercise[];
  recap: Recap;
  write: (recap: Recap) => void;
}

export const AskedFor = ({ exercises, recap, write }: Props) => {
  const asked = stepsOf(exercises);
  if (asked.length === 0) return null;
  return (
    <Box>
      <Typography variant="h3">{t("lesson.asked for")}</Typography>
      <Box sx={{ fontSize: 14, color: ink.soft }}>{t("lesson.let them say")}</Box>
      {asked.map(({ what, step, first }) => (
        <Box key={`${what} ${step}`}>
          {first && <Box sx={{ fontWeight: 650, mt: 1 }}>{what}</Box>}
          <Box
            sx={{
              display: "flex",
              flexWrap: "wrap",
              alignItems: "center",
              gap: 1,
              py: 0.5,
              borderTop: `1px solid ${ink.line}`,
            }}
          >
            <Box sx={{ flex: 1, minWidth: 180 }}>{step}</Box>
            <ToggleButtonGroup
              exclusive
              size="small"
              aria-label={t("lesson.how it came", { step })}
              value={recalled(recap, what, step)}
              onChange={(_, how) => write(noted(asked, recap, { what, step, recalled: how }))}
            >
              {RECALLED.map((how) => (
                <ToggleButton key={how} value={how} sx={chosen}>
                  {t(`lesson.${how}`)}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </Box>
        </Box>
      ))}
    </Box>
  );
};

const chosen = {
  minHeight: 44,
  px: 1.5,
  "&.Mui-selected, &.Mui-selected:hover": { background: ink.teal, color: "#fff" },
} as const;

type Asked = ReturnType<typeof stepsOf>;
type Noted = Omit<Recap[number], "recalled"> & { recalled: Recap[number]["recalled"] | null };

/** The recap with one step noted anew, or not noted any more, in the order of the steps. */
const noted = (asked: Asked, recap: Recap, now: Noted): Recap => {
  const others = recap.filter(({ what, step }) => what !== now.what || step !== now.step);
  const all = now.recalled ? [...others, { ...now, recalled: now.recalled }] : others;
  const place = (one: Recap[number]) =>
    asked.findIndex(({ what, step }) => what === one.what && step === one.step);
  return all.sort((a, b) => place(a) - place(b));
};
