/** How to put right where it stands: the fewest movements, said step by step. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { ask } from "../../api/client";
import type { Attempt, Mend, Taped } from "../../api/types";
import type { FinishWords } from "../../places";
import { Asked } from "../../shell/Asked";
import { length, roughly } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

/** Asked for by hand: it takes a second or two, and is not wanted after every reading. */
export const useMend = (attempt: Attempt, readings: Taped | null, wanted: boolean) =>
  useQuery({
    queryKey: ["mend", attempt.id, readings],
    queryFn: async ({ signal }) =>
      ((await ask.post("/api/attempts/{attempt_id}/mend", {
        params: { path: { attempt_id: attempt.id } },
        body: readings as Taped,
        signal,
      })) ?? null) as Mend | null,
    enabled: wanted && readings !== null,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });

interface Props {
  mend: ReturnType<typeof useMend>;
  wanted: boolean;
  ask: (wanted: boolean) => void;
  words: FinishWords;
}

export const MendCard = ({ mend, wanted, ask, words }: Props) => (
  <Asked
    question={t("tape.how to put it right")}
    title={t("tape.how to put it right")}
    label={t("tape.how to put it right")}
    wanted={wanted}
    ask={ask}
    busy={mend.isFetching && t("tape.trying the movements")}
  >
    {mend.error && <Alert severity="error">{mend.error.message}</Alert>}
    {mend.data === null && <Alert severity="warning">{t("tape.no few movements do")}</Alert>}
    {mend.data && <Steps mend={mend.data} words={words} />}
  </Asked>
);

const Steps = ({ mend, words }: { mend: Mend; words: FinishWords }) => {
  const units = useUnits();
  return (
    <>
      <Box component="ol" sx={{ m: 0, my: 1, pl: 3, fontSize: 15 }}>
        {mend.steps
          .filter((step) => step.metres > 0.02)
          .map((step, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a step has no other name than its place
            <li key={i}>
              {step.say.text}, <strong>{roughly(step.metres, units)}</strong>
            </li>
          ))}
      </Box>
      <Box sx={{ fontSize: 14 }}>
        {t("tape.it ends", {
          front: length(mend.finish.kerb_front_m, units),
          edge: words.edge,
          rear: length(mend.finish.kerb_rear_m, units),
        })}
      </Box>
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 1 }}>
        {t("tape.computed from the readings wheels")}
      </Box>
    </>
  );
};
