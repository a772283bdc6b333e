/** What the trailer does now, what wheel holds it, and how small errors grow. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import { Trans } from "react-i18next";
import type { Backing } from "../../api/types";
import { Panel } from "../../shell/Panel";
import { degrees, distance, length, turns, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

const advice = ({ shows_on, holding_turns, bend_deg }: Backing): string => {
  if (!shows_on) return t("trailer.in line wheels straight");
  const shows = { bend: degrees(Math.abs(bend_deg), 1), side: t(`names.${shows_on}`) };
  if (holding_turns === null) return t("trailer.past full lock", shows);
  return t("trailer.what holds it", { ...shows, turns: turns(holding_turns) });
};

const inLane = ({ lane }: Backing, units: Units): string =>
  lane.inside_m >= 0
    ? t("trailer.both units stay inside", { inside: length(lane.inside_m, units) })
    : t("trailer.out of the lane", {
        by: length(-lane.inside_m, units),
        after: length(lane.s_m, units),
      });

export const BackingFigures = ({ backing }: { backing: Backing }) => {
  const units = useUnits();
  return (
    <Box
      sx={{
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "1fr 1fr" },
        alignItems: "start",
      }}
    >
      <Panel label={t("trailer.now")}>
        <Box role="status" sx={{ fontSize: 16 }}>
          {advice(backing)}
        </Box>
        {backing.jack_knifed_at_s_m !== null && (
          <Alert severity="error" sx={{ mt: 1 }}>
            {t("trailer.jack knifed after take", {
              after: length(backing.jack_knifed_at_s_m, units),
            })}
          </Alert>
        )}
        <Box sx={{ mt: 1 }}>{inLane(backing, units)}</Box>
        <Box sx={{ mt: 1 }}>
          <Trans
            i18nKey="trailer.a bend doubles"
            values={{
              every: length(backing.doubles_every_m, units),
              past: degrees(backing.no_return_deg),
            }}
            components={{ b: <strong /> }}
          />
        </Box>
      </Panel>
      <Growth backing={backing} units={units} />
    </Box>
  );
};

const Growth = ({ backing, units }: { backing: Backing; units: Units }) => (
  <Panel label={t("trailer.how errors grow")} title={t("trailer.backed with the wheel straight")}>
    <Box
      component="table"
      sx={{
        width: "100%",
        borderCollapse: "collapse",
        "& td, & th": { textAlign: "right", borderTop: `1px solid ${ink.line}`, py: 0.4 },
        "& tbody th": { textAlign: "left" },
      }}
    >
      <thead>
        <tr>
          <th>{t("trailer.bend")}</th>
          {backing.growth[0]?.after.map(({ metres }) => (
            <th key={metres}>{distance(metres, units)}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {backing.growth.map((row) => (
          <tr key={row.bend_deg}>
            <th>{degrees(row.bend_deg, 1)}</th>
            {row.after.map(({ metres, bend_deg }) => (
              <td key={metres}>{bend_deg === null ? t("trailer.folded") : degrees(bend_deg, 1)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </Box>
  </Panel>
);
