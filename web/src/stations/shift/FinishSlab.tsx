/** Every finish of the set on the same ground, to scale, with the plan and the mean. */
import type { FinishSet, Point, Pose, Sheet, VehicleBody } from "../../api/types";

import { placed, useFrame } from "../../drawing/frame";
import { Slab } from "../../drawing/Slab";
import { bodyCorners, noseX, rearOverhang } from "../../drawing/VehicleShape";
import { PLACES } from "../../places";
import { ink } from "../../theme";

interface Props {
  sheet: Sheet;
  finishes: FinishSet;
}

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

const boundsOf = ({ plan }: Sheet, vehicle: VehicleBody) => {
  const { final, drawing } = plan;
  const nose = placed(final, [noseX(vehicle), 0]);
  const tail = placed(final, [-rearOverhang(vehicle), 0]);
  const [, across] = drawing.away;
  if (Math.abs(across) < 0.99) return around([nose, tail]);
  const [x, y] = nose;
  const room =
    x > tail[0]
      ? { right: (plan.finish.ahead_m ?? 1) + 0.8, left: 0.9 }
      : { right: 0.9, left: 1.8 };
  const kerb = drawing.dimensions.find((line) => line.what === "kerb_front")?.to_m[1] ?? y;
  return {
    left: Math.min(x, tail[0]) - room.left,
    right: Math.max(x, tail[0]) + room.right,
    bottom: across < 0 ? y - 2 : kerb - 0.7,
    top: across < 0 ? kerb + 0.7 : y + 2,
  };
};

export const FinishSlab = ({ sheet, finishes }: Props) => {
  const vehicle = sheet.vehicle.body;
  const ground = sheet.ground.body;
  const { Scene } = PLACES[ground.goal.kind];
  const { final, drawing } = sheet.plan;
  const bounds = boundsOf(sheet, vehicle);
  const low = bounds.bottom < bounds.top - 6 || drawing.away[1] < 0;
  return (
    <Slab bounds={bounds} label={`${finishes.counted} finishes on ${ground.name}, to scale`}>
      <Scene ground={ground} />
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
      {finishes.mean && (
        <path d={outline(finishes.mean)} fill="none" stroke="#fff" strokeWidth={3} />
      )}
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
