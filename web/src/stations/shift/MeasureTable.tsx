/** Bias with its margin and scatter, drawn on one scale a measure. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import { Trans } from "react-i18next";
import type { FinishSet } from "../../api/types";
import type { FinishWords } from "../../places";
import { Term } from "../../shell/Term";
import { degrees, length, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

/** What less and more of each measure means. */
export const ENDS = {
  kerb_m: ["names.nearer", "names.farther"],
  angle_deg: ["names.nose out", "names.nose in"],
  ahead_m: ["names.shorter", "names.longer"],
  behind_m: ["names.shorter", "names.longer"],
} as const;

type Measure = FinishSet["measures"][number];

/** What the three figures are called where the set was driven. */
const namesFor = (words: FinishWords) => ({
  kerb_m: t("shift.off the", { edge: words.edge }),
  angle_deg: t("shift.angle"),
  ahead_m: words.ahead_m,
  behind_m: words.behind_m,
});
const said = (m: Measure, value: number, units: Units) =>
  m.measure === "angle_deg" ? degrees(value, 1) : length(value, units);

interface Props {
  finishes: FinishSet;
  words: FinishWords;
}

export const MeasureTable = ({ finishes, words }: Props) => {
  const units = useUnits();
  const names = namesFor(words);
  if (finishes.measures.length === 0)
    return <Paper sx={{ p: 2 }}>{t("shift.bias and scatter are told")}</Paper>;
  return (
    <Paper sx={{ p: 1.5, display: "grid", gap: 0.5 }}>
      {finishes.measures.map((m) => (
        <Box
          key={m.measure}
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "110px minmax(0, 1fr) 250px" },
            alignItems: "center",
            gap: 1,
          }}
        >
          <Box sx={{ fontWeight: 700 }}>{names[m.measure]}</Box>
          <Scale m={m} name={names[m.measure]} />
          <Box sx={{ fontSize: 14 }}>
            <Trans
              i18nKey="shift.bias with its margin"
              values={{
                bias: said(m, m.bias, units),
                margin: said(m, m.margin, units),
                scatter: said(m, m.scatter, units),
              }}
              components={{
                b: <strong />,
                bias: <Term means={t("terms.bias")} />,
                scatter: <Term means={t("terms.scatter")} />,
              }}
            />
          </Box>
        </Box>
      ))}
      <Box sx={{ fontSize: 12, color: ink.soft }}>{t("shift.from the plan line")}</Box>
    </Paper>
  );
};

const Scale = ({ m, name }: { m: Measure; name: string }) => {
  const reach = Math.max(Math.abs(m.bias) + Math.max(m.scatter, m.margin), 1e-6) * 1.25;
  const x = (value: number) => 160 + (value / reach) * 105;
  const [low, high] = ENDS[m.measure];
  return (
    <svg
      viewBox="0 0 320 42"
      width="100%"
      height={42}
      role="img"
      aria-label={t("shift.bias and scatter", { name })}
    >
      <rect
        x={x(m.bias - m.scatter)}
        y={7}
        width={x(m.bias + m.scatter) - x(m.bias - m.scatter)}
        height={20}
        fill={ink.buff}
      />
      <path d={`M${x(0)} 1V31`} stroke={ink.ink} strokeDasharray="3 3" />
      <path
        d={`M${x(m.bias - m.margin)} 17H${x(m.bias + m.margin)}`}
        stroke={ink.teal}
        strokeWidth={4}
      />
      <circle cx={x(m.bias)} cy={17} r={5} fill={ink.teal} />
      <g fontSize={11} fill={ink.soft}>
        <text x={0} y={40}>
          {t(low)}
        </text>
        <text x={320} y={40} textAnchor="end">
          {t(high)}
        </text>
      </g>
    </svg>
  );
};
