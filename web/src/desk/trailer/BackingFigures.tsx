/** What the trailer does now, what wheel holds it, and how small errors grow. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { Backing } from "../../api/types";
import { degrees, distance, length, turns, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

const advice = ({ shows_on, holding_turns, bend_deg }: Backing): string => {
  if (!shows_on) return "In line: wheels straight, and look.";
  const bend = degrees(Math.abs(bend_deg), 1);
  if (holding_turns === null)
    return `The trailer shows ${bend} on the ${shows_on}, more than full lock still catches: stop and pull forward.`;
  return `The trailer shows ${bend} on the ${shows_on}: ${turns(holding_turns)} ${shows_on} holds it as it is, more brings it back.`;
};

const inLane = ({ lane }: Backing, units: Units): string =>
  lane.inside_m >= 0
    ? `Both units stay inside the lane, ${length(lane.inside_m, units)} to spare where it is least.`
    : `Out of the lane by ${length(-lane.inside_m, units)}, after ${length(lane.s_m, units)}.`;

export const BackingFigures = ({ backing }: { backing: Backing }) => {
  const units = useUnits();
  return (
    <Box sx={{ display: "grid", gap: 1.5, gridTemplateColumns: "1fr 1fr", alignItems: "start" }}>
      <Paper component="section" aria-label="Now" sx={{ p: 1.5 }}>
        <Typography variant="h2">Now</Typography>
        <Box role="status" sx={{ fontSize: 16 }}>
          {advice(backing)}
        </Box>
        {backing.jack_knifed_at_s_m !== null && (
          <Alert severity="error" sx={{ mt: 1 }}>
            Jack-knifed after {length(backing.jack_knifed_at_s_m, units)}: take it back, or pull
            forward.
          </Alert>
        )}
        <Box sx={{ mt: 1 }}>{inLane(backing, units)}</Box>
        <Box sx={{ mt: 1 }}>
          A bend doubles every <strong>{length(backing.doubles_every_m, units)}</strong>; past{" "}
          <strong>{degrees(backing.no_return_deg)}</strong> only pulling forward helps.
        </Box>
      </Paper>
      <Growth backing={backing} units={units} />
    </Box>
  );
};

const Growth = ({ backing, units }: { backing: Backing; units: Units }) => (
  <Paper component="section" aria-label="How errors grow" sx={{ p: 1.5 }}>
    <Typography variant="h2">Backed with the wheel straight</Typography>
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
          <th>bend</th>
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
              <td key={metres}>{bend_deg === null ? "folded" : degrees(bend_deg, 1)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </Box>
  </Paper>
);
