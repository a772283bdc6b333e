/** The plan on the slab: start, ghosts at the calls, finish, path, swing and figures. */
import type {
  GroundBody,
  MethodBody,
  PathPoint,
  Plan,
  Played,
  Point,
  Rescue,
  VehicleBody,
} from "../../api/types";
import { berthOf, endsOf } from "../../drawing/berth";
import { Dimension } from "../../drawing/Dimension";
import { placed, useFrame } from "../../drawing/frame";
import { CallDisc } from "../../drawing/marks";
import { PlaceScene } from "../../drawing/PlaceScene";
import { Slab } from "../../drawing/Slab";
import { at } from "../../drawing/scrub";
import { VehicleShape, wheelAngle } from "../../drawing/VehicleShape";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { boundsOf } from "./planBounds";
import { swingOf } from "./swing";

interface Props {
  plan: Plan;
  vehicle: VehicleBody;
  ground: GroundBody;
  method: MethodBody;
  live?: PathPoint | null;
  /** The same with one call early or late. */
  played?: Played | null;
  /** How an attempt is saved from there. */
  rescue?: Rescue | null;
  active?: number;
  /** A drawing to be told from others at a glance: no figures on it. */
  bare?: boolean;
  /** Marks where it comes nearest to what stands there. */
  met?: boolean;
}

export const PlanSlab = (props: Props) => {
  const { plan, vehicle, ground } = props;
  return (
    <Slab bounds={boundsOf(plan, vehicle, ground)} label={`Plan of the manoeuvre, ${ground.name}`}>
      <PlaceScene ground={ground} />
      <PlanDrawing {...props} />
    </Slab>
  );
};

const PlanDrawing = (props: Props) => {
  const {
    plan,
    vehicle,
    ground,
    method,
    live = null,
    played = null,
    rescue = null,
    active = 0,
    bare = false,
    met = false,
  } = props;
  const frame = useFrame();
  const rear = plan.path.map((p): Point => [p.x_m, p.y_m]);
  return (
    <g>
      {plan.swept_m.map((part, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: parts of one outline have no other name
          key={i}
          d={frame.path(part, true)}
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
      {!bare && <Figures plan={plan} vehicle={vehicle} ground={ground} method={method} />}
      {met && <Met plan={plan} vehicle={vehicle} />}
      {played && <PlayedPath path={played.path} vehicle={vehicle} look="played" />}
      {rescue && <PlayedPath path={rescue.path} vehicle={vehicle} look="saved" />}
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

// Two things are as near as each other when the plan has shared out the room between them, m.
const AS_NEAR = 0.01;

/** The vehicle where it is nearest to anything, or deepest in it, the wheels as turned. */
const Met = ({ plan, vehicle }: Pick<Props, "plan" | "vehicle">) => {
  const least = Math.min(...plan.clearance.map((one) => one.metres));
  return plan.clearance
    .filter((one) => one.metres <= least + AS_NEAR)
    .map((one) => {
      const met = at(plan.path, one.s_m);
      const wheels = wheelAngle(vehicle, met.turns);
      return (
        <VehicleShape
          key={one.obstacle}
          vehicle={vehicle}
          pose={met}
          look="played"
          wheelDeg={wheels}
        />
      );
    });
};

interface PlayedPathProps {
  path: readonly PathPoint[];
  vehicle: VehicleBody;
  look: "played" | "saved";
}

/** Where one call early or late leads, or how it is saved: the rear axle's way, and its end. */
const PlayedPath = ({ path, vehicle, look }: PlayedPathProps) => {
  const frame = useFrame();
  const last = path.at(-1);
  return (
    <g data-played={look}>
      <path
        d={frame.path(path.map((p): Point => [p.x_m, p.y_m]))}
        fill="none"
        stroke={look === "played" ? ink.coral : "#fff"}
        strokeWidth={2.5}
        strokeDasharray={look === "played" ? "7 4" : "2 4"}
      />
      {last && <VehicleShape vehicle={vehicle} pose={last} look={look} />}
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
  const { lane, track } = swingOf(plan.path, out, vehicle, away);
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

const Figures = ({
  plan,
  vehicle,
  ground,
  method,
}: Pick<Props, "plan" | "vehicle" | "ground" | "method">) => {
  const units = useUnits();
  const away = ground.side === "left" ? -1 : 1;
  const berth = berthOf(ground, method);
  const held = endsOf(berth, vehicle);
  const nose = placed(plan.final, held.front);
  const end = placed(plan.final, held.rear);
  const hubY = -away * ((vehicle.track_rear_m + vehicle.tyre_width_m) / 2);
  const rearHub = placed(plan.final, [0, hubY]);
  return (
    <g>
      {berth.ahead && (
        <Dimension from={nose} to={berth.ahead(nose)} label={length(plan.finish.ahead_m, units)} />
      )}
      {berth.behind && (
        <Dimension from={berth.behind(end)} to={end} label={length(plan.finish.behind_m, units)} />
      )}
      <Dimension
        from={rearHub}
        to={berth.edge(rearHub)}
        label={length(plan.finish.kerb_rear_m, units)}
        colour={ink.chalk}
      />
      <StartGap plan={plan} vehicle={vehicle} ground={ground} />
    </g>
  );
};

/** From the flank at the start to the parked vehicle's, to the guide line or the bays' mouths. */
const StartGap = ({ plan, vehicle, ground }: Pick<Props, "plan" | "vehicle" | "ground">) => {
  const units = useUnits();
  const away = ground.side === "left" ? -1 : 1;
  const { goal } = ground;
  const ahead =
    goal.kind === "kerbside" ? ground.obstacles.find((o) => o.name === goal.ahead) : undefined;
  const guide = goal.kind === "bay" ? (goal.guide_m ?? 0) : 0;
  const flank = away * (ahead ? Math.max(...ahead.polygon_m.map(([, y]) => y * away)) : guide);
  const startFlank = plan.start.y_m - (away * vehicle.width_m) / 2;
  const tail = ahead ? Math.min(...ahead.polygon_m.map(([x]) => x)) + 0.6 : -Infinity;
  // By the rear axle, so that the figure stands clear of the door mirror.
  const gapX = Math.max(tail, plan.start.x_m + vehicle.wheelbase_m * 0.1);
  if (Math.abs(at(plan.path, 0).heading_deg) >= 1) return null;
  return (
    <Dimension from={[gapX, startFlank]} to={[gapX, flank]} label={length(plan.set.gap_m, units)} />
  );
};
