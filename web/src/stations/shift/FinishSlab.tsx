/** Every finish of the set on the same ground, to scale, with the plan and the mean. */
import {
  bodyOf,
  type FinishSet,
  type GroundBody,
  type Point,
  type Pose,
  type Sheet,
  type VehicleBody,
} from "../../api/types";
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

export const FinishSlab = ({ sheet, finishes }: Props) => {
  const vehicle = bodyOf<VehicleBody>(sheet.vehicle);
  const ground = bodyOf<GroundBody>(sheet.ground);
  const away = ground.side === "left" ? -1 : 1;
  const { final } = sheet.plan;
  const bounds =
    ground.goal.kind === "bay"
      ? around([placed(final, [noseX(vehicle), 0]), placed(final, [-rearOverhang(vehicle), 0])])
      : {
          left: final.x_m - rearOverhang(vehicle) - 0.9,
          right: final.x_m + noseX(vehicle) + (sheet.plan.finish.ahead_m ?? 1) + 0.8,
          bottom: away < 0 ? -2.9 : -0.7,
          top: away < 0 ? 0.7 : 2.9,
        };
  return (
    <Slab bounds={bounds} label={`${finishes.counted} finishes on ${ground.name}, to scale`}>
      <PlaceScene ground={ground} />
      <Marks vehicle={vehicle} plan={final} finishes={finishes} legend={away < 0} />
    </Slab>
  );
};

interface MarksProps {
  vehicle: VehicleBody;
  plan: Pose;
  finishes: FinishSet;
  legend: boolean;
}

const Marks = ({ vehicle, plan, finishes, legend }: MarksProps) => {
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
          stroke={mark.outcome.startsWith("met") ? ink.chalk : "#FF9B7D"}
          strokeOpacity={0.75}
          strokeDasharray={mark.outcome.startsWith("met") ? undefined : "5 4"}
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
