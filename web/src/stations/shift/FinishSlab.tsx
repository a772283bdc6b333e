/** Every finish of the set on the same ground, to scale, with the plan and the mean. */
import type { FinishSet, Metres, Point, Pose, Sheet, VehicleBody } from "../../api/types";
import { type Berth, berthOf } from "../../drawing/berth";
import { placed, useFrame } from "../../drawing/frame";
import { PlaceScene } from "../../drawing/PlaceScene";
import { Slab } from "../../drawing/Slab";
import { bodyCorners, noseX, rearOverhang } from "../../drawing/VehicleShape";
import { ink } from "../../theme";

interface Props {
  sheet: Sheet;
  finishes: FinishSet;
}

const meanOf = (poses: readonly Pose[]): Pose => {
  const mean = (pick: (p: Pose) => number) =>
    poses.reduce((sum, p) => sum + pick(p), 0) / poses.length;
  return {
    x_m: mean((p) => p.x_m),
    y_m: mean((p) => p.y_m),
    heading_deg: mean((p) => p.heading_deg),
  };
};

/** Both ends of a vehicle with room for others beside it. */
const around = (ends: readonly Point[]) => {
  const xs = ends.map(([x]) => x);
  const ys = ends.map(([, y]) => y);
  return {
    left: Math.min(...xs) - 2.4,
    right: Math.max(...xs) + 2.4,
    bottom: Math.min(...ys) - 0.9,
    top: Math.max(...ys) + 0.9,
  };
};

const boundsOf = (berth: Berth, final: Pose, vehicle: VehicleBody, ahead: Metres | null) => {
  const [, across] = berth.away;
  if (Math.abs(across) < 0.99)
    return around([placed(final, [noseX(vehicle), 0]), placed(final, [-rearOverhang(vehicle), 0])]);
  const [x, y] = placed(final, [noseX(vehicle), 0]);
  const [tail] = placed(final, [-rearOverhang(vehicle), 0]);
  const room = x > tail ? { right: (ahead ?? 1) + 0.8, left: 0.9 } : { right: 0.9, left: 1.8 };
  const kerb = berth.edge([x, y])[1];
  return {
    left: Math.min(x, tail) - room.left,
    right: Math.max(x, tail) + room.right,
    bottom: across < 0 ? y - 2 : kerb - 0.7,
    top: across < 0 ? kerb + 0.7 : y + 2,
  };
};

export const FinishSlab = ({ sheet, finishes }: Props) => {
  const vehicle = sheet.vehicle.body;
  const ground = sheet.ground.body;
  const method = sheet.method.body;
  const { final } = sheet.plan;
  const bounds = boundsOf(berthOf(ground, method), final, vehicle, sheet.plan.finish.ahead_m);
  const low = bounds.bottom < bounds.top - 6 || berthOf(ground, method).away[1] < 0;
  return (
    <Slab bounds={bounds} label={`${finishes.counted} finishes on ${ground.name}, to scale`}>
      <PlaceScene ground={ground} />
      <Marks vehicle={vehicle} plan={final} finishes={finishes} legend={low} />
    </Slab>
  );
};

interface MarksProps {
  vehicle: VehicleBody;
  plan: Pose;
  finishes: FinishSet;
  legend: boolean;
}

/** The finishes that count, the plan and their mean; what was spoilt by others is left away. */
export const Marks = ({ vehicle, plan, finishes, legend }: MarksProps) => {
  const frame = useFrame();
  const counted = finishes.marks.filter((m) => m.counted);
  const outline = (pose: Pose) =>
    frame.path(
      bodyCorners(vehicle).map((p) => placed(pose, p)),
      true,
    );
  const mean = counted.length ? meanOf(counted.map((m) => m.pose)) : null;
  const y = legend ? frame.height - 20 : 28;
  return (
    <g>
      {counted.map((mark) => (
        <path
          key={mark.attempt}
          d={outline(mark.pose)}
          fill={ink.pale}
          fillOpacity={0.1}
          stroke={mark.met ? ink.chalk : "#FF9B7D"}
          strokeOpacity={0.75}
          strokeDasharray={mark.met ? undefined : "5 4"}
        />
      ))}
      <path
        d={outline(plan)}
        fill="none"
        stroke={ink.marigold}
        strokeWidth={3}
        strokeDasharray="9 5"
      />
      {mean && <path d={outline(mean)} fill="none" stroke="#fff" strokeWidth={3} />}
      <g transform={`translate(22 ${y})`} fontSize={13} fill="#fff">
        <rect x={-10} y={-20} width={460} height={30} rx={6} fill={ink.cabin} opacity={0.92} />
        <path d="M0 -4H24" stroke={ink.marigold} strokeWidth={3} strokeDasharray="9 5" />
        <text x={30}>planned</text>
        <path d="M100 -4H124" stroke="#fff" strokeWidth={3} />
        <text x={130}>mean of {counted.length}</text>
        <path d="M230 -4H254" stroke={ink.chalk} />
        <text x={260}>standard met</text>
        <path d="M360 -4H384" stroke="#FF9B7D" strokeDasharray="5 4" />
        <text x={390}>not met</text>
      </g>
    </g>
  );
};
