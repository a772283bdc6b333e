/** Before rolling: how much help there is, the steps from memory, and what would follow. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { lazy, Suspense, useState } from "react";
import type { Sheet } from "../../api/types";
import { HelpChoice } from "../../learning/HelpChoice";
import { useMockExercise } from "../../mock/useMockExercise";
import { t } from "../../words";
import type { Jotting } from "./jotted";

const FromMemory = lazy(async () => ({ default: (await import("./FromMemory")).FromMemory }));
const Predict = lazy(async () => ({ default: (await import("./Predict")).Predict }));

export const Before = ({ sheet, noting }: { sheet: Sheet; noting: Jotting }) => {
  const { draft, change } = noting;
  const [asking, setAsking] = useState<"memory" | "follows" | null>(null);
  const close = () => setAsking(null);
  const mock = useMockExercise(sheet);
  const steps = sheet.method.body.steps.length;
  const inPlace = draft.fromMemory.filter((step, place) => step === place).length;
  const guesses = draft.predicted.length;
  if (mock)
    return (
      <Box sx={{ fontSize: 16, fontWeight: 700 }}>{t("mock.exercise without help", mock)}</Box>
    );
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
      <HelpChoice
        help={draft.help}
        none={t("tape.not noted")}
        set={(help) => change({ help })}
        width={128}
      />
      <Button variant="outlined" sx={ask} onClick={() => setAsking("memory")}>
        {draft.fromMemory.length > 0
          ? t("learning.so many in place", { right: inPlace, steps })
          : t("learning.steps from memory")}
      </Button>
      <Button variant="outlined" sx={ask} onClick={() => setAsking("follows")}>
        {guesses > 0 ? t("learning.predicted", { count: guesses }) : t("learning.what follows")}
      </Button>
      <Suspense>
        {asking === "memory" && (
          <FromMemory
            sheet={sheet}
            order={draft.fromMemory}
            keep={(fromMemory) => change({ fromMemory })}
            close={close}
          />
        )}
        {asking === "follows" && (
          <Predict
            sheet={sheet}
            keep={(guess) => change({ predicted: [...draft.predicted, guess] })}
            close={close}
          />
        )}
      </Suspense>
    </Box>
  );
};

const ask = { minHeight: 44, flex: "1 1 92px", px: 1, lineHeight: 1.15 } as const;
