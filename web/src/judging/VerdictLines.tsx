/** Every rule beside what was found: what is a fault, why, and what would have changed it. */

import Box from "@mui/material/Box";
import type { Finding, Tape } from "../api/types";
import type { FinishWords } from "../places";
import { useUnits } from "../shell/useDocket";
import { ink } from "../theme";
import { capital, t } from "../words";
import { askedText, changeText, findingName, foundText, GRADE_NAMES, passedText } from "./said";

type Outcome = Tape["verdict"]["outcome"];

interface Props {
  findings: readonly Finding[];
  /** What all of them come to. */
  outcome: Outcome;
  words: FinishWords;
  /** The measures that were only looked at, or come of such. */
  estimated?: readonly string[];
}

export const VerdictLines = ({ findings, outcome, words, estimated = [] }: Props) => (
  <Box component="table" sx={{ width: "100%", borderCollapse: "collapse", fontSize: 14 }}>
    <tbody>
      {findings.map((finding, i) => (
        <Line
          // biome-ignore lint/suspicious/noArrayIndexKey: as the standard has them
          key={i}
          finding={finding}
          outcome={outcome}
          words={words}
          estimated={estimated.includes(finding.measure ?? "")}
        />
      ))}
    </tbody>
  </Box>
);

/** Counted several times over where each one too many is a fault. */
const gradeText = ({ grade, faults, points }: Finding): string | null => {
  if (!grade) return null;
  const fault = t(GRADE_NAMES[grade]);
  const said = faults > 1 ? t("judging.so many", { count: faults, fault }) : fault;
  return points ? t("judging.at points", { said, points }) : said;
};

interface LineProps {
  finding: Finding;
  outcome: Outcome;
  words: FinishWords;
  estimated: boolean;
}

const Line = ({ finding, outcome, words, estimated }: LineProps) => {
  const units = useUnits();
  const grade = gradeText(finding);
  const change = changeText(finding, units, outcome);
  return (
    <Box
      component="tr"
      sx={{ "& td": { borderTop: `1px solid ${ink.line}`, py: 0.5, verticalAlign: "top" } }}
    >
      <Box component="td" sx={{ pr: 1 }}>
        {capital(findingName(finding, words))}
        {grade && (
          <Box component="strong" sx={{ color: ink.coralText, display: "block", fontSize: 13 }}>
            ▲ {grade}
          </Box>
        )}
        {change && <Box sx={{ fontSize: 13, color: ink.soft }}>{change}</Box>}
        {finding.grade && finding.passed && (
          <Box sx={{ fontSize: 13 }}>
            {t("judging.passed means", { what: passedText(finding.passed) })}
          </Box>
        )}
      </Box>
      <Box component="td" sx={{ fontWeight: 700, fontSize: 16, whiteSpace: "nowrap", pr: 1 }}>
        {estimated && "≈ "}
        {foundText(finding, units) ?? <NotKnown finding={finding} />}
        {finding.value !== null && finding.unwatched > 0 && (
          <Box component="span" sx={{ display: "block", fontSize: 13, fontWeight: 400 }}>
            {t("tape.so many not noted", { number: finding.unwatched })}
          </Box>
        )}
      </Box>
      <Box
        component="td"
        sx={{ color: ink.soft, textAlign: "right", fontSize: 13, whiteSpace: "nowrap" }}
      >
        {askedText(finding, units)}
      </Box>
    </Box>
  );
};

const NotKnown = ({ finding }: { finding: Finding }) => (
  <Box component="span" sx={{ fontSize: 13, fontWeight: 400 }}>
    {t(finding.unwatched > 0 ? "judging.not watched" : "tape.not taped")}
  </Box>
);
