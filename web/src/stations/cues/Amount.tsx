/** How much wheel a step takes. */

import Button from "@mui/material/Button";
import type { FitShare } from "../../api/types";
import { NumberField } from "../../shell/NumberField";
import { useVocabulary } from "../../shell/useVocabulary";
import { t } from "../../words";
import { Fitted, type StepProps } from "./editing";
import { FitRange } from "./FitRange";
import { isFitted, named, type Step } from "./methodSteps";

/** A share of the lock, a set number of turns, or left to the fit. */
export const Amount = ({ body, step, change }: StepProps) => {
  const { wheel } = step;
  const { fitted } = useVocabulary();
  const set = (part: Partial<Step["wheel"]>) => change({ wheel: { ...wheel, ...part } });
  const inTurns = typeof wheel.turns === "number";
  const byFit = isFitted(wheel.of_lock) && !inTurns;
  return (
    <>
      <Fitted
        fitted={byFit}
        fit={() => set({ of_lock: named(body, fitted.share), turns: null })}
        fix={() => set({ of_lock: (wheel.of_lock as FitShare).prefer })}
        what={t("cues.amount")}
      >
        {inTurns ? (
          <NumberField
            label={t("cues.turns")}
            value={wheel.turns as number}
            onCommit={(turns) => set({ turns })}
          />
        ) : (
          <NumberField
            label={t("cues.percent of lock")}
            value={Math.round((wheel.of_lock as number) * 100)}
            onCommit={(percent) => set({ of_lock: percent / 100 })}
          />
        )}
        <Button
          size="small"
          onClick={() => set(inTurns ? { turns: null } : { turns: 1, of_lock: 1 })}
        >
          {inTurns ? t("cues.as a share") : t("cues.in turns")}
        </Button>
      </Fitted>
      {byFit && (
        <FitRange
          what={t("cues.amount")}
          fit={wheel.of_lock as FitShare}
          set={(of_lock) => set({ of_lock })}
        />
      )}
    </>
  );
};
