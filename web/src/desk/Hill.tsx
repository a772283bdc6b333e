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
import { t } from "../words";
import { Desk } from "./Desk";

type Side = "left" | "right";
type Facing = "up" | "down";

const WAYS = {
  toward: "desk.wheels toward the kerb",
  away: "desk.wheels away from the kerb",
  straight: "desk.wheels straight",
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
    <Desk title={t("desk.hill")}>
      <Typography color="text.secondary">
        {t("desk.how to leave the wheels", { name: vehicle.name })}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}>
        <Pick
          label={t("desk.facing")}
          value={facing}
          of={{ up: t("desk.uphill"), down: t("desk.downhill") }}
          set={setFacing}
        />
        <Pick
          label={t("desk.edge")}
          value={edge}
          of={{ kerb: t("desk.a kerb"), verge: t("desk.no kerb") }}
          set={setEdge}
        />
        <Pick
          label={t("desk.side")}
          value={side}
          of={{ left: t("desk.on the left"), right: t("desk.on the right") }}
          set={setSide}
        />
        <LengthField
          label={t("desk.off the kerb")}
          metres={gap_m}
          bare="cm"
          onCommit={(m) => m !== null && setGap(m)}
        />
      </Box>
      {hill.error && <Alert severity="error">{hill.error.message}</Alert>}
      {!shown && hill.isPending && <Waiting what={t("desk.letting it roll")} />}
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
      {shown && (
        <Typography sx={{ fontSize: 13 }} color="text.secondary">
          {t("desk.assumed of a roll", { angle: degrees(shown.assumed.holds_deg) })}
        </Typography>
      )}
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
  const after = length(roll.metres, units);
  const met = {
    tyre: roll.tyre ? t(`names.${roll.tyre}`) : "",
    after,
    angle: degrees(roll.angle_deg),
  };
  return {
    "held by the kerb": t("desk.held by the kerb", met),
    "against the kerb": t("desk.against the kerb", met),
    "off the road": t("desk.off the road", { after }),
    "into the road": t("desk.into the road", { into: length(into, units), after }),
    "on down the hill": t("desk.on down the hill"),
  }[roll.end];
};

// Less than this nobody in the road notices, m.
const NOTICED = 0.1;

/** How far out in the traffic it then stands; behind a rear tyre at the kerb that is the harm. */
const standsOut = (roll: Roll, units: Units): string => {
  if (roll.out_m < NOTICED || roll.tyre === null) return "";
  const out = { by: length(roll.out_m, units), end: t(`names.${roll.out_end}`) };
  return roll.tyre === "rear" ? t("desk.stands out wrongly", out) : t("desk.stands out", out);
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
      aria-label={t(WAYS[roll.way])}
      sx={{ overflow: "hidden", outline: best ? `3px solid ${ink.teal}` : "none" }}
    >
      <Box sx={{ height: 210 }}>
        <Slab bounds={bounds} label={t("desk.the roll to scale", { way: t(WAYS[roll.way]) })}>
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
          {t(WAYS[roll.way])}
          {best && " ✓"}
        </Typography>
        <Box sx={{ fontSize: 15 }}>
          {ended(roll, into, units)} {standsOut(roll, units)}
        </Box>
        {best && (
          <Box sx={{ fontWeight: 700, color: ink.teal }}>{t("desk.leave them like this")}</Box>
        )}
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
      {forward ? t("desk.downhill that way") : t("desk.downhill this way")}
    </text>
  );
};

const RollPath = ({ roll }: { roll: Roll }) => {
  const frame = useFrame();
  return <path d={frame.path(roll.path_m)} fill="none" stroke={ink.coral} strokeWidth={3} />;
};

export default Hill;
