/** Along a kerb: what a small angle does over the run, and how to move sideways again. */
import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { driftQuery, rejoinQuery, shuffleQuery } from "../../api/queries";
import type { Docket, Metres, Shuffle, StretchGoal } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { degrees, length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

type Gear = "forward" | "reverse";
type Way = "toward" | "away";

export const StretchAids = ({ docket }: { docket: Docket }) => {
  const { goal } = docket.ground.body;
  if (goal.kind !== "stretch") return null;
  return (
    <>
      {docket.method.body.manoeuvre === "pull up opposite" && <Rejoin docket={docket} />}
      <Drift docket={docket} goal={goal} />
    </>
  );
};

const Drift = ({ docket, goal }: { docket: Docket; goal: StretchGoal }) => {
  const units = useUnits();
  const [sideways, setSideways] = useState<Metres>(0.15);
  const [gear, setGear] = useState<Gear>("reverse");
  const [way, setWay] = useState<Way>("away");
  const body = { vehicle: docket.vehicle.id, sideways_m: sideways, gear, way };
  const { data: drifts = [] } = useQuery(driftQuery(goal.run_m));
  const ways = useQuery({ ...shuffleQuery(body), placeholderData: keepPreviousData });
  return (
    <Paper sx={{ p: 1.5, flexShrink: 0 }} component="section" aria-label="Drift and small angles">
      <Typography variant="h2">Drift over {length(goal.run_m, units)}</Typography>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        {drifts.map(({ angle_deg, metres }) => (
          <span key={angle_deg}>
            {degrees(angle_deg, 1)} off: <strong>{length(metres, units)}</strong>
          </span>
        ))}
      </Box>
      <Typography variant="h2" sx={{ mt: 1.5 }}>
        Moving sideways
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", my: 1 }}>
        <LengthField
          label="Sideways"
          metres={sideways}
          width={110}
          onCommit={(metres) => metres !== null && setSideways(metres)}
        />
        <Pair value={gear} of={["forward", "reverse"]} name="Gear" choose={setGear} />
        <Pair value={way} of={["toward", "away"]} name="Which way" choose={setWay} />
      </Box>
      {ways.error ? (
        <Box role="alert" sx={{ color: ink.coralText }}>
          {ways.error.message}
        </Box>
      ) : (
        <Ways ways={ways.data ?? []} />
      )}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        Steer {way === "toward" ? "toward the kerb" : "away from the kerb"} until the angle, run on,
        cancel it, straighten. Assumes unhurried hands, 1 turn a metre, half the lock at most.
      </Box>
    </Paper>
  );
};

interface PairProps<Value extends string> {
  value: Value;
  of: readonly Value[];
  name: string;
  choose: (value: Value) => void;
}

const Pair = <Value extends string>({ value, of, name, choose }: PairProps<Value>) => (
  <ToggleButtonGroup
    exclusive
    size="small"
    value={value}
    aria-label={name}
    onChange={(_, chosen) => chosen && choose(chosen)}
  >
    {of.map((one) => (
      <ToggleButton key={one} value={one}>
        {one}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);

const Ways = ({ ways }: { ways: Shuffle[] }) => {
  const units = useUnits();
  if (!ways.length)
    return <Box>Too little for any of these angles: use less wheel, for longer.</Box>;
  return (
    <Box
      component="table"
      sx={{
        width: "100%",
        borderCollapse: "collapse",
        fontSize: 14,
        "& td, & th": { textAlign: "right", borderTop: `1px solid ${ink.line}`, py: 0.25 },
        "& td:first-of-type, & th:first-of-type": { textAlign: "left" },
      }}
    >
      <thead>
        <tr>
          <th>Angle</th>
          <th>Wheel</th>
          <th>Rolled</th>
          <th>Other end swings</th>
        </tr>
      </thead>
      <tbody>
        {ways.map((one) => (
          <tr key={one.angle_deg}>
            <td>{degrees(one.angle_deg)}</td>
            <td>{one.turns.toFixed(2)} turn</td>
            <td>{length(one.metres, units)}</td>
            <td>{length(one.reach_m, units)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
};

/** Back to one's own side from the kerb opposite. */
const Rejoin = ({ docket }: { docket: Docket }) => {
  const units = useUnits();
  const { data } = useQuery(rejoinQuery(docket));
  if (!data) return null;
  return (
    <Paper sx={{ p: 1.5, flexShrink: 0 }} component="section" aria-label="Rejoining">
      <Typography variant="h2">Rejoining, {length(data.across_m, units)} across</Typography>
      <Ways ways={data.ways} />
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        All round, and over the shoulder to the traffic side. Where the view is blocked edge out,
        and stop; then promptly to your own side. Half the lock at most, hands at 1 turn a metre.
      </Box>
    </Paper>
  );
};
