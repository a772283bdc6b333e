/** All steps at a glance: which is in hand, and what was noted of each. A tap goes there. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import type { Sheet } from "../../api/types";
import { CallDisc, EyeMark, FirstStop, LastStop } from "../../drawing/marks";
import { ink } from "../../theme";
import { t } from "../../words";
import { type Jotting, last, lastStop, looksOf } from "./jotted";
import { TIMINGS } from "./StepCard";
import { stepText } from "./StepInHand";

export const Strip = ({ sheet, noting }: { sheet: Sheet; noting: Jotting }) => {
  const { draft, change } = noting;
  // The number that is seen is part of what it is called.
  const named = (card: number) => {
    const { say } = stepText(sheet, card);
    const called = card > 0 && card < lastStop(draft);
    return called ? t("drive.call said", { number: card, say }) : say;
  };
  const cards = Array.from({ length: last(draft) + 1 }, (_, card) => card);
  return (
    <Box
      component="nav"
      aria-label={t("drive.steps")}
      sx={{ display: "flex", flexWrap: "wrap", gap: { xs: 0.25, sm: 0.5 } }}
    >
      {cards.map((card) => {
        const here = card === draft.card;
        const timing = TIMINGS.find(({ value }) => value === draft.calls[card - 1]);
        return (
          <ButtonBase
            key={card}
            aria-current={here ? "step" : undefined}
            aria-label={named(card)}
            title={stepText(sheet, card).say}
            onClick={() => change({ card })}
            sx={{
              flex: 1,
              minWidth: 44,
              height: 48,
              borderRadius: 1,
              display: "grid",
              alignContent: "center",
              justifyItems: "center",
              background: here ? ink.teal : ink.sheet,
              color: here ? "#fff" : ink.ink,
              "&:focus-visible": { outline: `3px solid ${ink.coralText}` },
            }}
          >
            <svg width={24} height={24} viewBox="-13 -13 26 26" aria-hidden="true">
              {card === 0 && <FirstStop />}
              {card > 0 && card < lastStop(draft) && (
                <CallDisc x={0} y={0} label={String(card)} stop={card === draft.calls.length} />
              )}
              {card === lastStop(draft) && <LastStop />}
              {card > lastStop(draft) && (
                <path d="M-9 0H7M1-7L8 0L1 7" fill="none" stroke="currentColor" strokeWidth={3} />
              )}
            </svg>
            <Box sx={{ height: 16, display: "flex", gap: 0.25, alignItems: "center" }}>
              {timing?.mark}
              <Seen card={card} sheet={sheet} noting={noting} />
            </Box>
          </ButtonBase>
        );
      })}
    </Box>
  );
};

/** One eye for all the looks of a step: noted, or some of them not yet. */
const Seen = ({
  card,
  sheet,
  noting: { draft },
}: {
  card: number;
  sheet: Sheet;
  noting: Jotting;
}) => {
  const states = looksOf(sheet, draft, card).map((i) => draft.looks[i]);
  if (states.length === 0) return null;
  const open = states.some((state) => !state);
  const worst =
    states.find((state) => state === "missed") ?? states.find((state) => state !== "done");
  return (
    <Box sx={{ background: ink.sheet, borderRadius: 1, px: 0.5, py: 0.25, display: "grid" }}>
      <EyeMark state={open ? "open" : (worst ?? "done")} size={16} />
    </Box>
  );
};
