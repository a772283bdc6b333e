/** The finish, to scale, with the readings typed on its dimension lines. */
import type { Mend, Metres, Point, Pose, Sheet, VehicleBody } from "../../api/types";
import { type Berth, berthOf, berthWords, endsOf } from "../../drawing/berth";
import { Dimension } from "../../drawing/Dimension";
import { placed, useFrame } from "../../drawing/frame";
import { Pin } from "../../drawing/Pin";
import { PlaceScene } from "../../drawing/PlaceScene";
import { Slab } from "../../drawing/Slab";
import { noseX, rearOverhang, VehicleShape } from "../../drawing/VehicleShape";
import { LengthField } from "../../shell/LengthField";
import { ink } from "../../theme";
import type { TypedReadings } from "./typed";

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
  const vehicle = sheet.vehicle.body;
  const ground = sheet.ground.body;
  const method = sheet.method.body;
  const away = ground.side === "left" ? -1 : 1;
  const berth = berthOf(ground, method);
  const words = berthWords(ground.goal, method);
  const drawn = pose ?? sheet.plan.final;
  const held = endsOf(berth, vehicle);
  const nose = placed(drawn, held.front);
  const end = placed(drawn, held.rear);
  const hub = (x: Metres, track: Metres): Point =>
    placed(drawn, [x, (-away * (track + vehicle.tyre_width_m)) / 2]);
  const rear = hub(0, vehicle.track_rear_m);
  const front = hub(vehicle.wheelbase_m, vehicle.track_front_m);
  const ahead = berth.ahead?.(nose) ?? nose;
  const behind = berth.behind?.(end) ?? end;
  const bounds = boundsOf(berth, [
    ...[noseX(vehicle), -rearOverhang(vehicle)].map((x) => placed(drawn, [x, 0])),
    ahead,
    behind,
    ...mendReach(mend, vehicle),
  ]);
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
  // Fields stand clear of the vehicle: past the edge, and out on its free side.
  const shut = (p: Point): Point => step(berth.edge(p), berth.away, -0.95);
  const lane = (p: Point, q: Point): Point => step(mid(p, q), berth.away, 2.4);
  return (
    <Slab
      bounds={bounds}
      label="Where it ended, to scale"
      overlay={
        <>
          {field("kerb_rear_m", words.kerb_rear_m, shut(rear), "cm")}
          {field("kerb_front_m", words.kerb_front_m, shut(front), "cm")}
          {berth.ahead && field("ahead_m", words.ahead_m, lane(nose, ahead), "m", true)}
          {berth.behind && field("behind_m", words.behind_m, lane(end, behind), "m", true)}
        </>
      }
    >
      <PlaceScene ground={ground} />
      {pose && <VehicleShape vehicle={vehicle} pose={sheet.plan.final} look="ghost" />}
      <g opacity={pose ? 1 : 0.35}>
        <VehicleShape vehicle={vehicle} pose={drawn} look={pose ? "final" : "ghost"} />
      </g>
      {mend && <MendPath mend={mend} vehicle={vehicle} />}
      <Dimension from={rear} to={berth.edge(rear)} />
      <Dimension from={front} to={berth.edge(front)} />
      {[berth.ahead && ([nose, ahead] as const), berth.behind && ([end, behind] as const)].map(
        (line) =>
          line && (
            <Dimension
              key={`${line[0]}`}
              from={step(line[0], berth.away, 1.9)}
              to={step(line[1], berth.away, 1.9)}
            />
          ),
      )}
      <text x={12} y={berth.away[1] > 0.5 ? "6%" : "96%"} fill="#fff" fontSize={13}>
        {pose
          ? alongKnown
            ? "Solid: as taped. Outline: as planned."
            : "Solid: as taped; its place along is assumed, no gap was taped. Outline: as planned."
          : "Outline: as planned. Nothing taped yet."}
        {mend && " Coral: put right."}
      </text>
    </Slab>
  );
};

const step = ([x, y]: Point, [dx, dy]: Point, metres: Metres): Point => [
  x + dx * metres,
  y + dy * metres,
];
const mid = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];

const mendReach = (mend: Mend | null, vehicle: VehicleBody): Point[] =>
  (mend?.path ?? []).flatMap((p) => [
    placed(p, [noseX(vehicle), 0]),
    placed(p, [-rearOverhang(vehicle), 0]),
  ]);

/** Room for the vehicle, what it stands between, and the fields beside it. */
const boundsOf = (berth: Berth, points: readonly Point[]) => {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [, across] = berth.away;
  if (Math.abs(across) < 0.99)
    return {
      left: Math.min(...xs) - 3.6,
      right: Math.max(...xs) + 3.6,
      bottom: Math.min(...ys) - 0.9,
      top: Math.max(...ys) + 0.9,
    };
  // Across the road it may end farther from its kerb than along the near one.
  const kerb = berth.edge(points[0] ?? [0, 0])[1];
  const edge =
    across < 0 ? Math.min(kerb, Math.max(...ys) + 1.1) : Math.max(kerb, Math.min(...ys) - 1.1);
  return {
    left: Math.min(...xs) - 1.6,
    right: Math.max(...xs) + 1.6,
    bottom: edge - (across < 0 ? 3.4 : 1.9),
    top: edge + (across < 0 ? 1.9 : 3.4),
  };
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
