/** What was noted of the attempt while it was driven, and putting it right. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { lazy, Suspense, useState } from "react";
import type { Attempt, Notes, Sheet } from "../../api/types";
import { CallDisc, EyeMark, FirstStop, LastStop } from "../../drawing/marks";
import { figure, measureName } from "../../judging/measures";
import { helpName } from "../../learning/help";
import { type FinishWords, PLACES } from "../../places";
import { Panel } from "../../shell/Panel";
import { useDates } from "../../shell/useDates";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { named, t } from "../../words";
import { countsAt, seenAs } from "../drive/Counts";
import { type Jotted, jotted } from "../drive/jotted";
import { TIMINGS } from "../drive/StepCard";

const NotesDialog = lazy(async () => ({
  default: (await import("./NotesDialog")).NotesDialog,
}));

interface Props {
  sheet: Sheet;
  attempt: Attempt;
  words: FinishWords;
  readOnly: boolean;
}

export const NotesPanel = ({ sheet, attempt, words, readOnly }: Props) => {
  const dates = useDates();
  const [correcting, setCorrecting] = useState(false);
  const earlier = attempt.noted.slice(0, -1).reverse();
  const last = attempt.noted.at(-1);
  const when = (noted: Attempt["noted"][number]) => ({ by: noted.by, at: dates.moment(noted.at) });
  return (
    <Panel
      label={t("tape.noted while driving")}
      beside={
        !readOnly && (
          <Button size="small" sx={{ minHeight: 44 }} onClick={() => setCorrecting(true)}>
            {t("tape.put right")}
          </Button>
        )
      }
    >
      {earlier.length > 0 && last && (
        <Box sx={{ fontSize: 13, color: ink.soft }}>{t("tape.put right by", when(last))}</Box>
      )}
      <Noted sheet={sheet} notes={attempt.notes} words={words} />
      {earlier.map((noted) => (
        <Box component="details" key={noted.at} sx={{ mt: 1, fontSize: 14 }}>
          <Box component="summary" sx={{ minHeight: 32, color: ink.soft, cursor: "pointer" }}>
            {t("tape.before noted by", when(noted))}
          </Box>
          <Noted sheet={sheet} notes={noted.notes} words={words} />
        </Box>
      ))}
      {correcting && (
        <Suspense>
          <NotesDialog
            sheet={sheet}
            attempt={attempt}
            words={words}
            close={() => setCorrecting(false)}
          />
        </Suspense>
      )}
    </Panel>
  );
};

const Noted = ({ sheet, notes, words }: { sheet: Sheet; notes: Notes; words: FinishWords }) => {
  const { plan } = sheet;
  const told = jotted(notes, plan.calls.length, plan.looks.length);
  const kerbed = PLACES[sheet.ground.body.goal.kind].kerbed;
  return (
    <Box sx={{ fontSize: 14 }}>
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {sheet.method.body.steps.map((step, i) => (
          <Step key={step.name} index={i} sheet={sheet} told={told} />
        ))}
        {(plan.looks.some((look) => look.step > plan.calls.length) ||
          told.prompted.includes(plan.calls.length + 1)) && (
          <Step index={plan.calls.length + 1} sheet={sheet} told={told} />
        )}
      </Box>
      {told.observed.length > 0 && (
        <Box component="ul" aria-label={t("drive.observed")} sx={{ m: 0, mt: 0.5, pl: 0 }}>
          {told.observed.map((seen, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same may be seen twice
            <Box component="li" key={i} sx={{ display: "flex", gap: 1, listStyle: "none" }}>
              <Box sx={{ width: 44, color: ink.soft }}>{seconds(seen.seconds)}</Box>
              {t("drive.seen in", {
                what: seenAs(seen.what, words),
                phase: t(`drive.phase ${seen.phase}`),
              })}
            </Box>
          ))}
        </Box>
      )}
      <SaidBefore sheet={sheet} told={told} />
      <AtTheEnd told={told} />
      <Box sx={{ mt: 0.5 }}>
        {countsAt(words, kerbed)
          .map(({ name, label }) => t("tape.count", { label, count: told[name] }))
          .concat(t("tape.count", { label: t("tape.time"), count: seconds(notes.seconds) }))
          .join(" · ")}
      </Box>
    </Box>
  );
};

/** How much help there was, and what the learner said before rolling. */
const SaidBefore = ({ sheet, told }: { sheet: Sheet; told: Jotted }) => {
  const right = told.fromMemory.filter((step, place) => step === place).length;
  const guessed = (those: Jotted["predicted"]) =>
    those.filter((one) => one.end_m === one.by_m && one.tail === one.goes).length;
  const all = [
    told.help && t("tape.count", { label: t("learning.help"), count: helpName(told.help) }),
    told.fromMemory.length > 0 &&
      t("learning.so many in place", { right, steps: sheet.method.body.steps.length }),
    told.predicted.length > 0 &&
      t("learning.predicted rightly", {
        right: guessed(told.predicted),
        count: told.predicted.length,
      }),
  ].filter(Boolean);
  return all.length > 0 && <Box sx={{ mt: 0.5 }}>{all.join(" · ")}</Box>;
};

/** What was measured on the way, and what was so at the end, as far as it was noted. */
const AtTheEnd = ({ told }: { told: Jotted }) => {
  const units = useUnits();
  const way = Object.entries(told.onTheWay).map(([measure, value]) => ({
    label: measureName(measure),
    count: figure(measure, value ?? 0, units),
  }));
  const so = Object.entries(told.atEnd).map(([what, is]) => ({
    label: named(what),
    count: t(is ? "names.yes" : "names.no"),
  }));
  const all = [...way, ...so];
  return (
    all.length > 0 && (
      <Box sx={{ mt: 0.5 }}>{all.map((one) => t("tape.count", one)).join(" · ")}</Box>
    )
  );
};

const seconds = (value: number) => t("tape.seconds", { value: Math.round(value) });

/** One step: when its call came, and what became of its looks. */
const Step = ({ index, sheet, told }: { index: number; sheet: Sheet; told: Jotted }) => {
  const { calls, looks } = sheet.plan;
  const called = index > 0 && index <= calls.length;
  const timing = TIMINGS.find(({ value }) => value === told.calls[index - 1]);
  return (
    <Box component="li" sx={{ display: "flex", gap: 1, py: 0.25 }}>
      <svg width={22} height={22} viewBox="-13 -13 26 26" aria-hidden="true">
        {index === 0 && <FirstStop />}
        {called && <CallDisc x={0} y={0} label={String(index)} stop={index === calls.length} />}
        {index > calls.length && <LastStop />}
      </svg>
      <Box sx={{ flex: 1, display: "flex", flexWrap: "wrap", columnGap: 1.5 }}>
        {called && (
          <Box sx={{ minWidth: 84 }}>
            {timing?.mark} {timing ? t(`names.${timing.value}`) : t("tape.not noted")}
          </Box>
        )}
        {told.prompted.includes(index) && <strong>{t("names.prompted")}</strong>}
        {looks.map(
          (look, i) =>
            look.step === index && (
              <Box key={look.look} sx={{ display: "flex", gap: 0.5, alignItems: "center" }}>
                <EyeMark state={told.looks[i] ?? "open"} size={18} />
                {t("tape.look noted", {
                  look: named(look.look),
                  done: told.looks[i] ? t(`names.${told.looks[i]}`) : t("tape.not noted"),
                })}
              </Box>
            ),
        )}
      </Box>
    </Box>
  );
};
