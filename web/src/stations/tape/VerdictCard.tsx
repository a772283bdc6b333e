/** The verdict in words, each figure beside its limit. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { Finding, Revision, StandardBody, Tape } from "../../api/types";
import type { FinishWords } from "../../places";
import { degrees, length, type Units } from "../../shell/units";
import { useDates } from "../../shell/useDates";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { type Code, decimal, named, t } from "../../words";

const NAMES: Record<string, Code> = {
  kerb_front_m: "tape.front wheel to kerb",
  kerb_rear_m: "tape.rear wheel to kerb",
  angle_deg: "tape.off parallel",
  ahead_m: "tape.gap ahead",
  behind_m: "tape.gap behind",
  forward_movements: "tape.forward movements",
  reverse_movements: "tape.reverse movements",
  looks_missed: "tape.looks missed",
  looks_late: "tape.looks late",
  prompts: "tape.looks prompted",
  kerb_touches: "tape.kerb touched",
  kerb_mounts: "tape.kerb mounted",
  vehicle_touches: "tape.vehicle touched",
  seconds: "tape.time",
};

export const MEASURES = Object.keys(NAMES) as StandardBody["limits"][number]["measure"][];

/** What is said where looks that the standard counts were not noted. */
const UNWATCHED: Partial<Record<Tape["verdict"]["outcome"], Code>> = {
  met: "tape.met as far as watched",
  "met with small faults": "tape.met with small faults as far as watched",
};

const HEADLINES: Record<Tape["verdict"]["outcome"], Code> = {
  met: "tape.standard met",
  "met with small faults": "tape.met with small faults",
  "not met": "tape.not met",
  ended: "tape.the test would have ended",
};

const GRADES = {
  small: "tape.small fault",
  serious: "names.serious",
  ends: "tape.ends the test",
} as const;

export const measureName = (measure: string, words?: FinishWords): string => {
  const code = NAMES[measure];
  return words?.[measure as keyof FinishWords] ?? (code ? t(code) : measure);
};

export const figure = (measure: string, value: number | null, units: Units): string => {
  if (value === null) return t("tape.not taped");
  if (measure.endsWith("_m")) return length(value, units);
  if (measure.endsWith("_deg")) return degrees(value, 1);
  return measure === "seconds" ? t("tape.seconds", { value: Math.round(value) }) : decimal(value);
};

export const limitText = (
  measure: string,
  range: readonly [number | null, number | null] | null,
  units: Units,
): string => {
  if (!range) return "";
  const [low, high] = range;
  if (low !== null && high !== null)
    return t("tape.between", {
      low: figure(measure, low, units),
      high: figure(measure, high, units),
    });
  if (high !== null) return t("tape.at most", { high: figure(measure, high, units) });
  return low === null ? "" : t("tape.at least", { low: figure(measure, low, units) });
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
  const headline = (!verdict.whole && UNWATCHED[verdict.outcome]) || HEADLINES[verdict.outcome];
  return (
    <Paper role="status" aria-label={t("tape.verdict")} sx={{ p: 1.75 }}>
      <Typography variant="h1" component="h2" sx={{ color: good ? ink.teal : ink.coralText }}>
        {t(headline)}
      </Typography>
      {!verdict.whole && <Unwatched looks={verdict.unwatched} />}
      <Box sx={{ fontSize: 13, color: ink.soft, mb: 1 }}>
        {t("tape.the schools own figures", { name: body.name, dated: dates.day(body.dated) })}
      </Box>
      <Box component="table" sx={{ width: "100%", borderCollapse: "collapse", fontSize: 14 }}>
        <tbody>
          {verdict.findings
            .filter((f) => f.value !== null || f.measure === "ahead_m")
            .map((finding) => (
              <Row key={finding.measure} finding={finding} units={units} words={words} />
            ))}
        </tbody>
      </Box>
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 1 }}>
        {t("tape.by tape sure", {
          across: length(2 * tape.sigma_across_m, units),
          angle: degrees(2 * tape.sigma_angle_deg, 1),
          reading: length(tape.reading_sigma_m, units),
        })}{" "}
        {!checked && t("tape.no slip would show")}
      </Box>
    </Paper>
  );
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

interface RowProps {
  finding: Finding;
  units: Units;
  words: FinishWords;
}

const Row = ({ finding, units, words }: RowProps) => {
  const limit = finding.small ?? finding.serious ?? finding.ends;
  return (
    <Box component="tr" sx={{ "& td": { borderTop: `1px solid ${ink.line}`, py: 0.5 } }}>
      <Box component="td" sx={{ pr: 1 }}>
        {measureName(finding.measure, words)}
        {finding.grade && (
          <Box component="strong" sx={{ color: ink.coralText, display: "block", fontSize: 13 }}>
            ▲ {t(GRADES[finding.grade])}
          </Box>
        )}
      </Box>
      <Box component="td" sx={{ fontWeight: 700, fontSize: 16, whiteSpace: "nowrap" }}>
        {figure(finding.measure, finding.value, units)}
        {finding.unwatched > 0 && (
          <Box component="span" sx={{ display: "block", fontSize: 13, fontWeight: 400 }}>
            {t("tape.so many not noted", { number: finding.unwatched })}
          </Box>
        )}
      </Box>
      <Box component="td" sx={{ color: ink.soft, textAlign: "right", fontSize: 13 }}>
        {limitText(finding.measure, limit, units)}
      </Box>
    </Box>
  );
};
