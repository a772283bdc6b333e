/** Before the tape: where the learner says that it stands, and afterwards how far off that was. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { lazy, Suspense, useState } from "react";
import type { Attempt, Sheet } from "../../api/types";
import { EYE_NAMES, type EyeMeasure, offText } from "../../learning/off";
import type { FinishWords } from "../../places";
import { Panel } from "../../shell/Panel";
import { length } from "../../shell/units";
import { useDocket, useUnits } from "../../shell/useDocket";
import { t } from "../../words";

const SayStand = lazy(async () => ({ default: (await import("./SayStand")).SayStand }));

interface Props {
  sheet: Sheet;
  attempt: Attempt;
  words: FinishWords;
  readOnly: boolean;
}

export const SaysFirst = ({ sheet, attempt, words, readOnly }: Props) => {
  const { learner } = useDocket();
  const [saying, setSaying] = useState(false);
  if (attempt.stated)
    return (
      <Panel label={t("learning.said by", { name: learner.name })}>
        <Said attempt={attempt} words={words} />
      </Panel>
    );
  if (attempt.readings || readOnly) return null;
  return (
    <>
      <Button variant="outlined" sx={{ minHeight: 48 }} onClick={() => setSaying(true)}>
        {t("learning.say first", { name: learner.name })}
      </Button>
      {saying && (
        <Suspense>
          <SayStand sheet={sheet} attempt={attempt} words={words} close={() => setSaying(false)} />
        </Suspense>
      )}
    </>
  );
};

const Said = ({ attempt, words }: { attempt: Attempt; words: FinishWords }) => {
  const units = useUnits();
  const said = attempt.stated?.readings;
  if (!said) return null;
  const told = (["kerb_front_m", "kerb_rear_m", "ahead_m", "behind_m"] as const).flatMap((name) => {
    const metres = said[name];
    return metres === null ? [] : [`${words[name]} ${length(metres, units)}`];
  });
  const off = Object.entries(attempt.off ?? {}) as [EyeMeasure, number | null][];
  return (
    <>
      <Box sx={{ fontSize: 14 }}>{told.join(" · ")}</Box>
      {attempt.off ? (
        off.map(
          ([measure, value]) =>
            value !== null && (
              <Box key={measure} sx={{ fontSize: 14 }}>
                {t(EYE_NAMES[measure])}: <strong>{offText(measure, value, units)}</strong>
              </Box>
            ),
        )
      ) : (
        <Alert severity="info" role="note" sx={{ mt: 0.5 }}>
          {t("learning.now the tape")}
        </Alert>
      )}
    </>
  );
};
