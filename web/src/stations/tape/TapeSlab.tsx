/** The finish, to scale, with the readings typed on its dimension lines. */
import {
  bodyOf,
  type GroundBody,
  type Mend,
  type Metres,
  type Point,
  type Pose,
  type Sheet,
  type VehicleBody,
} from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import { placed, useFrame } from "../../drawing/frame";
import { KerbScene } from "../../drawing/KerbScene";
import { Pin } from "../../drawing/Pin";
import { Slab } from "../../drawing/Slab";
import { noseX, rearOverhang, VehicleShape } from "../../drawing/VehicleShape";
import { LengthField } from "../../shell/LengthField";
import { ink } from "../../theme";
import type { TypedReadings } from "./TapeStation";

interface Props {
  sheet: Sheet;
  readings: TypedReadings;
  pose: Pose | null;
  alongKnown: boolean;
  mend: Mend | null;
  readOnly: boolean;
  onRead: (name: keyof TypedReadings, metres: Metres | null) => void;
}

export const TapeSlab = ({ sheet, readings, pose, alongKnown, mend, readOnly, onRead }: Props) => {
  const vehicle = bodyOf<VehicleBody>(sheet.vehicle);
  const ground = bodyOf<GroundBody>(sheet.ground);
  const away = ground.side === "left" ? -1 : 1;
  const drawn = pose ?? sheet.plan.final;
  const ahead = ground.obstacles.find((o) => o.name === ground.goal.ahead);
  const behind = ground.obstacles.find((o) => o.name === ground.goal.behind);
  const tail = Math.min(...(ahead?.polygon_m.map(([x]) => x) ?? [0]));
  const nose = placed(drawn, [noseX(vehicle), 0]);
  const end = placed(drawn, [-rearOverhang(vehicle), 0]);
  const hub = (x: Metres, track: Metres): Point =>
    placed(drawn, [x, (-away * (track + vehicle.tyre_width_m)) / 2]);
  const rear = hub(0, vehicle.track_rear_m);
  const front = hub(vehicle.wheelbase_m, vehicle.track_front_m);
  const xs = mend ? mend.path.map((p) => p.x_m) : [];
  const bounds = {
    left: Math.min(end[0], ...xs.map((x) => x - rearOverhang(vehicle))) - 1.6,
    right: Math.max(tail, nose[0], ...xs.map((x) => x + noseX(vehicle))) + 1.6,
    bottom: away < 0 ? -3.4 : -1.9,
    top: away < 0 ? 1.9 : 3.4,
  };
  const field = (
    name: keyof TypedReadings,
    label: string,
    at: Point,
    bare: "m" | "cm",
    optional = false,
  ) => (
    <Pin at={at}>
      <LengthField
        label={label}
        metres={readings[name]}
        bare={bare}
        optional={optional}
        readOnly={readOnly}
        size="medium"
        width={136}
        onCommit={(metres) => onRead(name, metres)}
      />
    </Pin>
  );
  const shut = (x: Metres): Point => [x, -away * 0.95];
  const lane = away * 2.5;
  return (
    <Slab
      bounds={bounds}
      label="Where it ended, to scale"
      overlay={
        <>
          {field("kerb_rear_m", "Rear wheel to kerb", shut(rear[0]), "cm")}
          {field("kerb_front_m", "Front wheel to kerb", shut(front[0]), "cm")}
          {field("ahead_m", "Gap ahead", [(nose[0] + tail) / 2, lane], "m", true)}
          {behind && field("behind_m", "Gap behind", [end[0] - 0.8, lane], "m", true)}
        </>
      }
    >
      <KerbScene ground={ground} />
      {pose && <VehicleShape vehicle={vehicle} pose={sheet.plan.final} look="ghost" />}
      <g opacity={pose ? 1 : 0.35}>
        <VehicleShape vehicle={vehicle} pose={drawn} look={pose ? "final" : "ghost"} />
      </g>
      {mend && <MendPath mend={mend} vehicle={vehicle} />}
      <Dimension from={rear} to={[rear[0], 0]} />
      <Dimension from={front} to={[front[0], 0]} />
      <Dimension from={[nose[0], lane * 0.78]} to={[tail, lane * 0.78]} />
      <text x={12} y={away < 0 ? "96%" : "6%"} fill="#fff" fontSize={13}>
        {pose
          ? alongKnown
            ? "Solid: as taped. Outline: as planned."
            : "Solid: as taped; its place along the kerb is assumed, no gap was taped. Outline: as planned."
          : "Outline: as planned. Nothing taped yet."}
        {mend && " Coral: put right."}
      </text>
    </Slab>
  );
};

/** Where the mend rolls the rear axle, and how the vehicle stands after it. */
const MendPath = ({ mend, vehicle }: { mend: Mend; vehicle: VehicleBody }) => {
  const frame = useFrame();
  const last = mend.path.at(-1);
  return (
    <g>
      {last && <VehicleShape vehicle={vehicle} pose={last} look="live" />}
      <path
        d={frame.path(mend.path.map((p): Point => [p.x_m, p.y_m]))}
        fill="none"
        stroke={ink.coral}
        strokeWidth={2.5}
      />
    </g>
  );
};
