/** Who taped what and when: each entry that held, why it was corrected, and others' tapes beside. */

import Box from "@mui/material/Box";
import type { Attempt, Taped } from "../../api/types";
import { OUTCOMES } from "../../judging/outcomes";
import type { FinishWords } from "../../places";
import { Panel } from "../../shell/Panel";
import { length, type Units } from "../../shell/units";
import { useDates } from "../../shell/useDates";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";
import { GLANCES } from "./Glances";
import { lookedAt, READINGS } from "./typed";

interface Props {
  attempt: Attempt;
  words: FinishWords;
}

export const Entries = ({ attempt, words }: Props) => {
  const units = useUnits();
  const dates = useDates();
  return (
    <Panel label={t("tape.readings")}>
      <Box component="ul" sx={list}>
        {attempt.tapings.map((one, i) => (
          <li key={one.at}>
            {t(i === 0 ? "tape.taped by" : "tape.corrected by", {
              by: one.by,
              at: dates.moment(one.at),
            })}
            {i > 0 && <Box>{t("tape.because", { why: one.why })}</Box>}
            <Box sx={{ color: i < attempt.tapings.length - 1 ? ink.soft : undefined }}>
              {told(one.readings, words, units)}
              {i < attempt.tapings.length - 1 && ` · ${t("tape.held before")}`}
            </Box>
          </li>
        ))}
        {attempt.beside.map((one) => (
          <li key={one.by}>
            {t("tape.taped again by", { by: one.by, at: dates.moment(one.at) })}
            <Box>{told(one.readings, words, units)}</Box>
            <strong>{more(one, words, units)}</strong>
            <Box>
              {one.same_outcome
                ? t("tape.same verdict")
                : t("tape.other verdict", { outcome: t(OUTCOMES[one.outcome]) })}
            </Box>
          </li>
        ))}
      </Box>
    </Panel>
  );
};

const list = { m: 0, pl: 2.25, fontSize: 14, "& li + li": { mt: 1 } } as const;

const told = (readings: Taped, words: FinishWords, units: Units): string =>
  READINGS.flatMap((name) => {
    const metres = readings[name] ?? null;
    const glance = readings.by_eye[lookedAt(name)];
    if (glance) return [t("tape.seen", { label: words[name], glance: t(GLANCES[glance]) })];
    return metres === null ? [] : [`${words[name]} ${length(metres, units)}`];
  }).join(" · ");

/** What another tape reads more, reading by reading. */
const more = (
  { more: by, than }: Attempt["beside"][number],
  words: FinishWords,
  units: Units,
): string => {
  const parts = READINGS.flatMap((name) => {
    const metres = by[name];
    if (metres === undefined) return [];
    const size = length(Math.abs(metres), units);
    const said = metres === 0 ? "tape.reads the same" : "tape.reads more";
    return [t(metres < 0 ? "tape.reads less" : said, { label: words[name], by: size })];
  });
  return t("tape.than", { than, parts: parts.join(" · ") });
};
