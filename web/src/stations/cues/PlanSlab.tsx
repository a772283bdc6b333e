/** The plan on the slab: start, ghosts at the calls, finish, path, swing and figures. */

import { memo } from "react";
import type {
  GroundBody,
  PathPoint,
  Plan,
  Played,
  Point,
  Rescue,
  VehicleBody,
} from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import { useFrame } from "../../drawing/frame";
import { CallDisc } from "../../drawing/marks";
import { Slab } from "../../drawing/Slab";
import { at, type Scrub, useScrubbed } from "../../drawing/scrub";
import { VehicleShape } from "../../drawing/VehicleShape";
import { PLACES } from "../../places";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

interface Props {
  plan: Plan;
  vehicle: VehicleBody;
  ground: GroundBody;
  /** Where along the way somebody points at the ribbon. */
  scrub?: Scrub;
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

export const PlanSlab = memo((props: Props) => {
  const { plan, ground } = props;
  const { scrub, active = 0, bare = false, ...standing } = props;
  return (
    <Slab bounds={plan.drawing.view} label={t("cues.plan of the manoeuvre", { name: ground.name })}>
      <Standing {...standing} bare={bare} />
      {scrub && <Live plan={plan} vehicle={props.vehicle} scrub={scrub} />}
      {!bare && <Calls plan={plan} active={active} />}
    </Slab>
  );
});

/** Everything but what moves while the ribbon is followed. */
const Standing = memo((props: Omit<Props, "scrub" | "active">) => {
  const { plan, vehicle, ground, played = null, rescue = null, bare = false, met = false } = props;
  const { Scene } = PLACES[ground.goal.kind];
  const frame = useFrame();
  const rear = plan.path.map((p): Point => [p.x_m, p.y_m]);
  return (
    <g>
      <Scene ground={ground} />
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
      {!bare && <SwingOut plan={plan} />}
      {!bare && <Figures plan={plan} />}
      {met && <Met plan={plan} vehicle={vehicle} />}
      {played && <PlayedPath path={played.path} vehicle={vehicle} look="played" />}
      {rescue && <PlayedPath path={rescue.path} vehicle={vehicle} look="saved" />}
    </g>
  );
});

/** The vehicle where the ribbon is followed to. */
const Live = ({ plan, vehicle, scrub }: Pick<Props, "plan" | "vehicle"> & { scrub: Scrub }) => {
  const s = useScrubbed(scrub);
  if (s === null) return null;
  const pose = at(plan.path, s);
  return <VehicleShape vehicle={vehicle} pose={pose} look="live" wheelDeg={pose.wheel_deg} />;
};

const Calls = memo(({ plan, active }: Pick<Props, "plan"> & { active: number }) => {
  const frame = useFrame();
  return plan.calls.map((call) => (
    <CallDisc
      key={call.number}
      x={frame.x(call.x_m)}
      y={frame.y(call.y_m)}
      label={String(call.number)}
      stop={call.number === plan.calls.length}
      active={call.number === active}
    />
  ));
});

/** The vehicle where it is nearest to anything, or deepest in it, the wheels as turned. */
const Met = ({ plan, vehicle }: Pick<Props, "plan" | "vehicle">) =>
  plan.clearance
    .filter((one) => plan.drawing.nearest.includes(one.obstacle))
    .map((one) => {
      const met = at(plan.path, one.s_m);
      return (
        <VehicleShape
          key={one.obstacle}
          vehicle={vehicle}
          pose={met}
          look="played"
          wheelDeg={met.wheel_deg}
        />
      );
    });

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

/** The outermost corner's way out of the lane, in coral, with its greatest reach. */
const SwingOut = ({ plan }: Pick<Props, "plan">) => {
  const frame = useFrame();
  const { swing } = plan.drawing;
  if (!swing) return null;
  const { from_m: lane, to_m: out } = swing.reach;
  const below = out[1] < lane[1] ? 16 : -8;
  // Told toward the middle, where there is room for it.
  const end = frame.x(out[0]) > frame.width / 2;
  return (
    <g>
      <path
        d={frame.path(swing.track_m)}
        fill="none"
        stroke="#FF9B7D"
        strokeWidth={2.5}
        strokeDasharray="2 5"
        strokeLinecap="round"
      />
      <Dimension from={lane} to={out} colour="#FF9B7D" />
      <text
        x={frame.x(out[0]) + (end ? -8 : 8)}
        textAnchor={end ? "end" : "start"}
        y={frame.y(out[1]) + below}
        fill="#FFC3B0"
        fontSize={14}
        fontWeight={700}
        stroke={ink.tarmac}
        strokeWidth={4}
        paintOrder="stroke"
      >
        {swing.said.text}
      </text>
    </g>
  );
};

/** Which of the plan's dimension lines carry their figure. */
const TOLD = {
  ahead: (plan: Plan) => plan.finish.ahead_m,
  behind: (plan: Plan) => plan.finish.behind_m,
  kerb_rear: (plan: Plan) => plan.finish.kerb_rear_m,
  start_gap: (plan: Plan) => plan.set.gap_m,
} as const;

const Figures = ({ plan }: Pick<Props, "plan">) => {
  const units = useUnits();
  return (
    <g>
      {plan.drawing.dimensions.map(({ what, from_m, to_m }) =>
        what in TOLD ? (
          <Dimension
            key={what}
            from={from_m}
            to={to_m}
            label={length(TOLD[what as keyof typeof TOLD](plan), units)}
            {...(what === "kerb_rear" && { colour: ink.chalk })}
          />
        ) : null,
      )}
    </g>
  );
};
