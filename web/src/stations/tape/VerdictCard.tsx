/** The verdict in words, each figure beside its limit. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { Finding, Revision, Tape } from "../../api/types";
import { OUTCOMES } from "../../judging/outcomes";
import { becauseText } from "../../judging/said";
import { VerdictLines } from "../../judging/VerdictLines";
import type { FinishWords } from "../../places";
import { degrees, length } from "../../shell/units";
import { useDates } from "../../shell/useDates";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { type Code, named, t } from "../../words";
import type { LookedAt } from "./typed";

/** What is said where looks that the standard counts were not noted. */
const UNWATCHED: Partial<Record<Tape["verdict"]["outcome"], Code>> = {
  met: "tape.met as far as watched",
  "met with small faults": "tape.met with small faults as far as watched",
};

interface Props {
  tape: Tape;
  standard: Revision<"standard">;
  words: FinishWords;
  /** Whether more was taped than is needed, so that a slip of the tape would contradict the rest. */
  checked: boolean;
}

export const VerdictCard = ({ tape, standard, words, checked }: Props) => {
  const units = useUnits();
  const { verdict } = tape;
  const dates = useDates();
  const body = standard.body;
  const good = verdict.met;
  const readings = tape.by_eye.map((name) => words[`${name as LookedAt}_m`]).join(", ");
  // An angle comes of both wheels.
  const estimated = tape.by_eye.flatMap((name) =>
    name.startsWith("kerb") ? [`${name}_m`, "angle_deg"] : [`${name}_m`],
  );
  const headline = (!verdict.whole && UNWATCHED[verdict.outcome]) || OUTCOMES[verdict.outcome];
  return (
    <Paper role="status" aria-label={t("tape.verdict")} sx={{ p: 1.75 }}>
      <Typography variant="h1" component="h2" sx={{ color: good ? ink.teal : ink.coralText }}>
        {t(headline)}
      </Typography>
      {tape.by_eye.length > 0 && (
        <Box sx={{ fontSize: 15, fontWeight: 700 }}>{t("tape.estimated", { readings })}</Box>
      )}
      {verdict.unwatched.length > 0 && !verdict.whole && <Unwatched looks={verdict.unwatched} />}
      <Box sx={{ fontSize: 13, color: ink.soft, mb: 1 }}>
        {t("tape.the schools own figures", { name: body.name, dated: dates.day(body.dated) })}
      </Box>
      <Because verdict={verdict} />
      <VerdictLines
        findings={toTell(verdict.findings)}
        outcome={verdict.outcome}
        words={words}
        estimated={estimated}
      />
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 1 }}>
        {t(tape.by_eye.length > 0 ? "tape.by eye sure" : "tape.by tape sure", {
          across: length(2 * tape.sigma_across_m, units),
          angle: degrees(2 * tape.sigma_angle_deg, 1),
          reading: length(tape.reading_sigma_m, units),
        })}{" "}
        {!checked && tape.by_eye.length === 0 && t("tape.no slip would show")}
      </Box>
    </Paper>
  );
};

/** Faults first; what was neither taped nor to be watched is left out, but for the gap ahead. */
const toTell = (findings: readonly Finding[]): Finding[] =>
  findings
    .filter((one) => one.value !== null || one.unwatched > 0 || one.measure === "ahead_m")
    .toSorted((one, other) => Number(other.grade !== null) - Number(one.grade !== null));

/** Why the verdict is what it is: what failed it, or what was still allowed. */
const Because = ({ verdict }: { verdict: Tape["verdict"] }) => {
  const said = becauseText(verdict);
  return said && <Box sx={{ fontSize: 14, mb: 0.5 }}>{said}</Box>;
};

/** Which looks nobody noted: neither done nor missed. */
const Unwatched = ({ looks }: { looks: Tape["verdict"]["unwatched"] }) => (
  <Box sx={{ fontSize: 14, my: 0.5 }}>
    {t("tape.looks not noted", {
      looks: looks
        .map(({ step, look }) =>
          step === 0
            ? t("tape.at the first stop", { look: named(look) })
            : t("tape.at call", { look: named(look), number: step }),
        )
        .join("; "),
    })}
  </Box>
);
