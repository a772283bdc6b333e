/** The plan on the slab: start, ghosts at the calls, finish, path, swing and figures. */
import type { GroundBody, PathPoint, Plan, Point, VehicleBody } from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import { placed, useFrame } from "../../drawing/frame";
import { KerbScene } from "../../drawing/KerbScene";
import { CallDisc } from "../../drawing/marks";
import { Slab } from "../../drawing/Slab";
import { at } from "../../drawing/scrub";
import { noseX, rearOverhang, VehicleShape, wheelAngle } from "../../drawing/VehicleShape";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";

interface Props {
  plan: Plan;
  vehicle: VehicleBody;
  ground: GroundBody;
  live?: PathPoint | null;
  active?: number;
  /** A drawing to be told from others at a glance: no figures on it. */
  bare?: boolean;
}

export const PlanSlab = (props: Props) => {
  const { plan, vehicle, ground } = props;
  const away = ground.side === "left" ? -1 : 1;
  const xs = plan.path.map((p) => p.x_m);
  const ys = plan.path.map((p) => p.y_m * away);
  const parked = ground.obstacles.flatMap((o) => o.polygon_m.map(([x]) => x));
  const reach = Math.max(...ys) + vehicle.length_m * 0.5;
  const bounds = {
    left: Math.min(...xs) - rearOverhang(vehicle) - 0.8,
    right: Math.max(Math.max(...xs) + noseX(vehicle), Math.min(Math.max(...parked), 5)) + 0.6,
    bottom: away < 0 ? -reach : -1,
    top: away < 0 ? 1 : reach,
  };
  return (
    <Slab bounds={bounds} label={`Plan of the manoeuvre, ${ground.name}`}>
      <KerbScene ground={ground} />
      <PlanDrawing {...props} />
    </Slab>
  );
};

const PlanDrawing = ({ plan, vehicle, ground, live = null, active = 0, bare = false }: Props) => {
  const frame = useFrame();
  const rear = plan.path.map((p): Point => [p.x_m, p.y_m]);
  return (
    <g>
      {plan.swept_m.map((part, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: parts of one outline have no other name
          key={i}
          d={frame.path(part as unknown as Point[], true)}
          fill={ink.marigold}
          opacity={0.22}
        />
      ))}
      <VehicleShape vehicle={vehicle} pose={plan.start} look="start" />
      {plan.calls.slice(1).map((call) => (
        <VehicleShape key={call.number} vehicle={vehicle} pose={call} look="ghost" />
      ))}
      <VehicleShape vehicle={vehicle} pose={plan.final} look="final" />
      <path d={frame.path(rear)} fill="none" stroke={ink.marigold} strokeWidth={2.5} />
      {!bare && <SwingOut plan={plan} vehicle={vehicle} ground={ground} />}
      {!bare && <Figures plan={plan} vehicle={vehicle} ground={ground} />}
      {live && (
        <VehicleShape
          vehicle={vehicle}
          pose={live}
          look="live"
          wheelDeg={wheelAngle(vehicle, live.turns)}
        />
      )}
      {(bare ? [] : plan.calls).map((call) => (
        <CallDisc
          key={call.number}
          x={frame.x(call.x_m)}
          y={frame.y(call.y_m)}
          label={String(call.number)}
          stop={call.number === plan.calls.length}
          active={call.number === active}
        />
      ))}
    </g>
  );
};

/** The outer front corner's way out of the lane, in coral, with its greatest reach. */
const SwingOut = ({ plan, vehicle, ground }: Pick<Props, "plan" | "vehicle" | "ground">) => {
  const frame = useFrame();
  const units = useUnits();
  const out = plan.looks.find((look) => look.why === "swings out");
  if (!out || out.metres < 0.05) return null;
  const away = ground.side === "left" ? -1 : 1;
  const corner: Point = [noseX(vehicle) - vehicle.corner_cut_m, (away * vehicle.width_m) / 2];
  const lane = out.y_m - away * out.metres;
  // Where the corner is out of the lane, beginning with the last stretch before it leaves.
  const track = plan.path
    .filter((p) => Math.abs(p.s_m - out.at_s_m) < 3)
    .map((p) => placed(p, corner))
    .filter(([, y]) => (y - lane) * away > -0.02);
  const below = away < 0 ? 16 : -8;
  return (
    <g>
      <path
        d={frame.path(track)}
        fill="none"
        stroke="#FF9B7D"
        strokeWidth={2.5}
        strokeDasharray="2 5"
        strokeLinecap="round"
      />
      <Dimension from={[out.x_m, lane]} to={[out.x_m, out.y_m]} colour="#FF9B7D" />
      <text
        x={frame.x(out.x_m) + 8}
        y={frame.y(out.y_m) + below}
        fill="#FFC3B0"
        fontSize={14}
        fontWeight={700}
        stroke={ink.tarmac}
        strokeWidth={4}
        paintOrder="stroke"
      >
        nose swings out {length(out.metres, units)}
      </text>
    </g>
  );
};

const Figures = ({ plan, vehicle, ground }: Pick<Props, "plan" | "vehicle" | "ground">) => {
  const units = useUnits();
  const away = ground.side === "left" ? -1 : 1;
  const ahead = ground.obstacles.find((o) => o.name === ground.goal.ahead);
  const behind = ground.obstacles.find((o) => o.name === ground.goal.behind);
  if (!ahead) return null;
  const tail = Math.min(...ahead.polygon_m.map(([x]) => x));
  const flank = away * Math.max(...ahead.polygon_m.map(([, y]) => y * away));
  const nose = placed(plan.final, [noseX(vehicle), 0]);
  const end = placed(plan.final, [-rearOverhang(vehicle), 0]);
  const hubY = -away * ((vehicle.track_rear_m + vehicle.tyre_width_m) / 2);
  const rearHub = placed(plan.final, [0, hubY]);
  const startFlank = plan.start.y_m - (away * vehicle.width_m) / 2;
  const gapX = Math.max(tail + 0.6, plan.start.x_m + vehicle.wheelbase_m * 0.5);
  const first = at(plan.path, 0);
  return (
    <g>
      <Dimension
        from={[nose[0], nose[1]]}
        to={[tail, nose[1]]}
        label={length(plan.finish.ahead_m, units)}
      />
      {behind && (
        <Dimension
          from={[Math.max(...behind.polygon_m.map(([x]) => x)), end[1]]}
          to={[end[0], end[1]]}
          label={length(plan.finish.behind_m, units)}
        />
      )}
      <Dimension
        from={[rearHub[0], rearHub[1]]}
        to={[rearHub[0], 0]}
        label={length(plan.finish.kerb_rear_m, units)}
        colour={ink.chalk}
      />
      {Math.abs(first.heading_deg) < 1 && (
        <Dimension
          from={[gapX, startFlank]}
          to={[gapX, flank]}
          label={length(plan.set.gap_m, units)}
        />
      )}
    </g>
  );
};
