/** All that was noted so far, in the order of the clock; each can be taken back. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Sheet } from "../../api/types";
import type { FinishWords } from "../../places";
import { ink } from "../../theme";
import { named, t } from "../../words";
import { seenAs } from "./Counts";
import { type Jotting, unobserve } from "./jotted";

interface Entry {
  key: string;
  seconds: number | null;
  said: string;
  /** Goes to where it was noted, to be mended there. */
  open?: () => void;
  /** It was not so. */
  undo: () => void;
}

const entries = (sheet: Sheet, { draft, change }: Jotting): Entry[] => {
  const without = <T,>(list: readonly T[], at: number) =>
    list.map((old, i) => (i === at ? null : old));
  const calls = draft.calls.flatMap((timing, i): Entry[] =>
    timing
      ? [
          {
            key: `call ${i}`,
            seconds: draft.callSeconds[i] ?? null,
            said: t("drive.call came", { number: i + 1, timing: t(`names.${timing}`) }),
            open: () => change({ card: i + 1 }),
            undo: () =>
              change({
                calls: without(draft.calls, i),
                callSeconds: without(draft.callSeconds, i),
              }),
          },
        ]
      : [],
  );
  const looks = sheet.plan.looks.flatMap((look, i): Entry[] => {
    const done = draft.looks[i];
    if (!done) return [];
    const now = { looks: without(draft.looks, i), lookSeconds: without(draft.lookSeconds, i) };
    return [
      {
        key: `look ${i}`,
        seconds: draft.lookSeconds[i] ?? null,
        said: t("tape.look noted", { look: named(look.look), done: t(`names.${done}`) }),
        undo: () => change(now),
      },
    ];
  });
  const prompts = draft.prompted.map(
    (step): Entry => ({
      key: `prompted ${step}`,
      seconds: null,
      said: t("drive.step prompted", { number: step }),
      undo: () => change({ prompted: draft.prompted.filter((one) => one !== step) }),
    }),
  );
  return [...calls, ...looks, ...prompts];
};

interface Props {
  sheet: Sheet;
  noting: Jotting;
  words: FinishWords;
}

export const SoFar = ({ sheet, noting, words }: Props) => {
  const observed = noting.draft.observed.map(
    (seen, i): Entry => ({
      key: `seen ${i}`,
      seconds: seen.seconds,
      said: t("drive.seen in", {
        what: seenAs(seen.what, words),
        phase: t(`drive.phase ${seen.phase}`),
      }),
      undo: () => unobserve(noting, i),
    }),
  );
  const all = [...entries(sheet, noting), ...observed].sort(
    (a, b) => (b.seconds ?? -1) - (a.seconds ?? -1),
  );
  if (all.length === 0) return <Box sx={{ color: ink.soft }}>{t("drive.nothing noted")}</Box>;
  return (
    <Box component="ul" aria-label={t("drive.so far")} sx={{ m: 0, p: 0, listStyle: "none" }}>
      {all.map(({ key, seconds, said, open, undo }) => (
        <Box
          component="li"
          key={key}
          sx={{ display: "flex", alignItems: "center", borderTop: `1px solid ${ink.line}` }}
        >
          <Box sx={{ width: 48, color: ink.soft }}>
            {seconds === null ? "" : t("tape.seconds", { value: seconds })}
          </Box>
          <Box sx={{ flex: 1, minWidth: 0, lineHeight: 1.2 }}>{said}</Box>
          {open && (
            <Button sx={small} onClick={open} aria-label={t("drive.mend", { said })}>
              {t("drive.mend it")}
            </Button>
          )}
          <Button sx={small} onClick={undo} aria-label={t("drive.was not so", { said })}>
            ✕
          </Button>
        </Box>
      ))}
    </Box>
  );
};

const small = { minWidth: 44, minHeight: 44 } as const;
