/** Parking on a hill: which way to leave the wheels, shown by letting the vehicle roll. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../api/client";
import type { Metres, Point, Roll, VehicleBody } from "../api/types";
import { useFrame } from "../drawing/frame";
import { Slab } from "../drawing/Slab";
import { noseX, rearOverhang, VehicleShape } from "../drawing/VehicleShape";
import { LengthField } from "../shell/LengthField";
import { Waiting } from "../shell/states";
import { degrees, length, type Units } from "../shell/units";
import { useDocket, useUnits } from "../shell/useDocket";
import { useLast } from "../shell/useLast";
import { ink } from "../theme";
import { Desk } from "./Desk";

type Side = "left" | "right";
type Facing = "up" | "down";

const WAYS = {
  toward: "Wheels toward the kerb",
  away: "Wheels away from the kerb",
  straight: "Wheels straight",
} as const;

const Hill = () => {
  const docket = useDocket();
  const vehicle = docket.vehicle.body;
  const [side, setSide] = useState<Side>(docket.ground.body.side);
  const [facing, setFacing] = useState<Facing>("up");
  const [edge, setEdge] = useState<"kerb" | "verge">("kerb");
  const [gap_m, setGap] = useState(0.25);
  const body = { vehicle: docket.vehicle.id, side, facing, kerb: edge === "kerb", gap_m };
  const hill = useQuery({
    queryKey: ["hill", body],
    queryFn: ({ signal }) => ask.post("/api/hill", { body, signal }),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const shown = useLast(hill.data);
  return (
    <Desk title="Hill">
      <Typography color="text.secondary">
        How to leave the wheels of the {vehicle.name} so that, should everything else let go, it
        comes to rest against the kerb or leaves the road, and does not roll into it.
      </Typography>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}>
        <Pick
          label="Facing"
          value={facing}
          of={{ up: "uphill", down: "downhill" }}
          set={setFacing}
        />
        <Pick label="Edge" value={edge} of={{ kerb: "a kerb", verge: "no kerb" }} set={setEdge} />
        <Pick
          label="Side"
          value={side}
          of={{ left: "on the left", right: "on the right" }}
          set={setSide}
        />
        <LengthField
          label="Off the kerb"
          metres={gap_m}
          bare="cm"
          onCommit={(m) => m !== null && setGap(m)}
        />
      </Box>
      {hill.error && <Alert severity="error">{hill.error.message}</Alert>}
      {!shown && hill.isPending && <Waiting what="Letting it roll" />}
      {shown && (
        <Box
          sx={{
            display: "grid",
            gap: 1.5,
            gridTemplateColumns: "repeat(auto-fit, minmax(280px, 1fr))",
          }}
        >
          {shown.ways.map((roll) => (
            <Way
              key={roll.way}
              roll={roll}
              best={roll.way === shown.best}
              side={side}
              kerb={edge === "kerb"}
              forward={facing === "down"}
              vehicle={vehicle}
              into={shown.assumed.into_m}
            />
          ))}
        </Box>
      )}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        A slow roll, simulated, with the wheel left at full lock.
        {shown &&
          ` That a tyre meeting the kerb at less than ${degrees(shown.assumed.holds_deg)} rides along it and up is assumed.`}{" "}
        First brake, gear and chock: turned wheels are only the last of them. Local rules prevail.
      </Typography>
    </Desk>
  );
};

interface PickProps<T extends string> {
  label: string;
  value: T;
  of: Record<T, string>;
  set: (value: T) => void;
}

const Pick = <T extends string>({ label, value, of, set }: PickProps<T>) => (
  <ToggleButtonGroup
    exclusive
    value={value}
    aria-label={label}
    onChange={(_, next: T | null) => next && set(next)}
  >
    {(Object.entries(of) as [T, string][]).map(([key, said]) => (
      <ToggleButton key={key} value={key} sx={{ minHeight: 44, textTransform: "none" }}>
        {said}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);

interface WayProps {
  roll: Roll;
  best: boolean;
  side: Side;
  kerb: boolean;
  forward: boolean;
  vehicle: VehicleBody;
  /** So far out of its place it counts as in the road. */
  into: Metres;
}

const ended = (roll: Roll, into: Metres, units: Units): string => {
  const after = `after ${length(roll.metres, units)}`;
  return {
    "held by the kerb": `The ${roll.tyre} tyre meets the kerb ${after}, at ${Math.round(roll.angle_deg)}°, and holds.`,
    "against the kerb": `The ${roll.tyre} tyre meets the kerb ${after}, at only ${Math.round(roll.angle_deg)}°: it may ride along it and up.`,
    "off the road": `It leaves the road over the edge ${after}.`,
    "into the road": `It rolls out into the road: ${length(into, units)} of it ${after}.`,
    "on down the hill": "It rolls on down the hill beside the edge, faster and faster.",
  }[roll.end];
};

const Way = ({ roll, best, side, kerb, forward, vehicle, into }: WayProps) => {
  const units = useUnits();
  const away = side === "left" ? -1 : 1;
  const reach = 3.4;
  const bounds = {
    left: -rearOverhang(vehicle) - 2.4,
    right: noseX(vehicle) + 2.4,
    bottom: away < 0 ? -reach : -1.2,
    top: away < 0 ? 1.2 : reach,
  };
  return (
    <Paper
      component="section"
      aria-label={WAYS[roll.way]}
      sx={{ overflow: "hidden", outline: best ? `3px solid ${ink.teal}` : "none" }}
    >
      <Box sx={{ height: 210 }}>
        <Slab bounds={bounds} label={`${WAYS[roll.way]}: the roll, to scale`}>
          <Edge side={side} kerb={kerb} />
          <VehicleShape
            vehicle={vehicle}
            pose={roll.start}
            look="start"
            wheelDeg={roll.wheel_deg}
          />
          {roll.end !== "on down the hill" && (
            <VehicleShape vehicle={vehicle} pose={roll.final} look="ghost" />
          )}
          <RollPath roll={roll} />
          <Downhill forward={forward} />
        </Slab>
      </Box>
      <Box sx={{ p: 1.5 }}>
        <Typography variant="h2">
          {WAYS[roll.way]}
          {best && " ✓"}
        </Typography>
        <Box sx={{ fontSize: 15 }}>{ended(roll, into, units)}</Box>
        {best && <Box sx={{ fontWeight: 700, color: ink.teal }}>Leave them like this.</Box>}
      </Box>
    </Paper>
  );
};

const Edge = ({ side, kerb }: { side: Side; kerb: boolean }) => {
  const frame = useFrame();
  const { left, right, top, bottom } = frame.bounds;
  const far = side === "left" ? top : bottom;
  const band = (from: number, to: number): Point[] => [
    [left, from],
    [right, from],
    [right, to],
    [left, to],
  ];
  const stone = (side === "left" ? 1 : -1) * 0.15;
  return (
    <g>
      <path d={frame.path(band(0, far), true)} fill={kerb ? ink.footpath : ink.verge} />
      {kerb && <path d={frame.path(band(0, stone), true)} fill="#E6DECB" />}
    </g>
  );
};

const Downhill = ({ forward }: { forward: boolean }) => {
  const frame = useFrame();
  const y = frame.height - 14;
  return (
    <text x={12} y={y} fill={ink.chalk} fontSize={13} fontWeight={650}>
      {forward ? "downhill →" : "← downhill"}
    </text>
  );
};

const RollPath = ({ roll }: { roll: Roll }) => {
  const frame = useFrame();
  return <path d={frame.path(roll.path_m)} fill="none" stroke={ink.coral} strokeWidth={3} />;
};

export default Hill;
