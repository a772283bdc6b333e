/** The verdict in words, each figure beside its limit. */
import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { Finding, Revision, Tape } from "../../api/types";
import type { FinishWords } from "../../places";
import { degrees, length, type Units } from "../../shell/units";
import { useDates } from "../../shell/useDates";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

const NAMES: Record<string, string> = {
  kerb_front_m: "Front wheel to kerb",
  kerb_rear_m: "Rear wheel to kerb",
  angle_deg: "Off parallel",
  ahead_m: "Gap ahead",
  behind_m: "Gap behind",
  forward_movements: "Forward movements",
  reverse_movements: "Reverse movements",
  looks_missed: "Looks missed",
  looks_late: "Looks late",
  prompts: "Looks prompted",
  kerb_touches: "Kerb touched",
  kerb_mounts: "Kerb mounted",
  vehicle_touches: "Vehicle touched",
  seconds: "Time",
};

const HEADLINES: Record<Tape["verdict"]["outcome"], string> = {
  met: "Standard met",
  "met with small faults": "Met, with small faults",
  "not met": "Not met",
  ended: "The test would have ended",
};

const GRADES = { small: "small fault", serious: "serious", ends: "ends the test" } as const;

export const measureName = (measure: string, words?: FinishWords): string =>
  words?.[measure as keyof FinishWords] ?? NAMES[measure] ?? measure;

export const figure = (measure: string, value: number | null, units: Units): string => {
  if (value === null) return "not taped";
  if (measure.endsWith("_m")) return length(value, units);
  if (measure.endsWith("_deg")) return degrees(value, 1);
  return measure === "seconds" ? `${Math.round(value)} s` : String(value);
};

export const limitText = (
  measure: string,
  range: readonly [number | null, number | null] | null,
  units: Units,
): string => {
  if (!range) return "";
  const [low, high] = range;
  if (low !== null && high !== null)
    return `${figure(measure, low, units)} to ${figure(measure, high, units)}`;
  if (high !== null) return `at most ${figure(measure, high, units)}`;
  return low === null ? "" : `at least ${figure(measure, low, units)}`;
};

interface Props {
  tape: Tape;
  standard: Revision<"standard">;
  words: FinishWords;
}

export const VerdictCard = ({ tape, standard, words }: Props) => {
  const units = useUnits();
  const { verdict } = tape;
  const dates = useDates();
  const body = standard.body;
  const good = verdict.met;
  return (
    <Paper role="status" aria-label="Verdict" sx={{ p: 1.75 }}>
      <Typography variant="h1" sx={{ color: good ? ink.teal : ink.coralText }}>
        {HEADLINES[verdict.outcome]}
      </Typography>
      <Box sx={{ fontSize: 13, color: ink.soft, mb: 1 }}>
        {body.name}, {dates.day(body.dated)}. The school's own figures; the licensing authority's
        word prevails.
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
        By tape: sure to ±{length(2 * tape.sigma_across_m, units)} and ±
        {degrees(2 * tape.sigma_angle_deg, 1)}, taking ±{length(tape.reading_sigma_m, units)} for
        each reading.
      </Box>
    </Paper>
  );
};

interface RowProps {
  finding: Finding;
  units: Units;
  words: FinishWords;
}

const Row = ({ finding, units, words }: RowProps) => {
  const limit = finding.small ?? finding.serious ?? finding.ends;
  return (
    <Box component="tr" sx={{ "& td": { borderTop: `1px solid ${ink.line}`, py: 0.5 } }}>
      <td>
        {measureName(finding.measure, words)}
        {finding.grade && (
          <Box component="strong" sx={{ color: ink.coralText, display: "block", fontSize: 13 }}>
            ▲ {GRADES[finding.grade]}
          </Box>
        )}
      </td>
      <Box component="td" sx={{ fontWeight: 700, fontSize: 16, whiteSpace: "nowrap" }}>
        {figure(finding.measure, finding.value, units)}
      </Box>
      <Box component="td" sx={{ color: ink.soft, textAlign: "right", fontSize: 13 }}>
        {limitText(finding.measure, limit, units)}
      </Box>
    </Box>
  );
};
