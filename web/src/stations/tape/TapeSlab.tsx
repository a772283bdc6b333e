/** The finish, to scale, with the readings typed on its dimension lines. */

import useMediaQuery from "@mui/material/useMediaQuery";
import { useState } from "react";
import type { Dimensioned, Mend, Metres, Point, Sheet, Tape, VehicleBody } from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import { placed, useFrame } from "../../drawing/frame";
import { Pin } from "../../drawing/Pin";
import { Slab } from "../../drawing/Slab";
import { noseX, rearOverhang, VehicleShape } from "../../drawing/VehicleShape";
import { finishWords, PLACES } from "../../places";
import { LengthField } from "../../shell/LengthField";
import { ink } from "../../theme";
import { type Code, t } from "../../words";
import { Glances } from "./Glances";
import { type Glance, lookedAt, READINGS, type ReadingName, type TypedReadings } from "./typed";

/** Which reading is typed on which dimension line. */
const READING: Partial<Record<Dimensioned["what"], ReadingName>> = {
  kerb_rear: "kerb_rear_m",
  kerb_front: "kerb_front_m",
  ahead: "ahead_m",
  behind: "behind_m",
};

interface Props {
  sheet: Sheet;
  readings: TypedReadings;
  tape: Tape | null;
  mend: Mend | null;
  readOnly: boolean;
  /** Whether what nobody has taped is told by eye. */
  byEye: boolean;
  onRead: (name: ReadingName, metres: Metres | null) => void;
  onLook: (name: ReadingName, glance: Glance | null) => void;
}

export const TapeSlab = ({
  sheet,
  readings,
  tape,
  mend,
  readOnly,
  byEye,
  onRead,
  onLook,
}: Props) => {
  const vehicle = sheet.vehicle.body;
  const ground = sheet.ground.body;
  const { Scene } = PLACES[ground.goal.kind];
  const { drawing, final } = sheet.plan;
  const words = finishWords(ground.goal, sheet.method.body);
  const drawn = tape?.pose ?? final;
  // What was kept before the lines were told has those of the plan.
  const lines = tape?.dimensions.length ? tape.dimensions : drawing.dimensions;
  const line = (what: Dimensioned["what"]) => lines.find((one) => one.what === what);
  const [rear, front, ahead, behind] = [
    line("kerb_rear"),
    line("kerb_front"),
    line("ahead"),
    line("behind"),
  ];
  const bounds = boundsOf(drawing.away, rear?.to_m ?? [0, 0], [
    ...[noseX(vehicle), -rearOverhang(vehicle)].map((x) => placed(drawn, [x, 0])),
    ...[ahead, behind].flatMap((one) => (one ? [one.to_m] : [])),
    ...mendReach(mend, vehicle),
  ]);
  const touched = useMediaQuery("(pointer: coarse)");
  // Entered, a reading makes room for the next one that is still to be typed.
  const [next, setNext] = useState<ReadingName | null>(null);
  const there = [rear, front, ahead, behind].flatMap((one) => (one ? [READING[one.what]] : []));
  const looked = (name: ReadingName) => readings.by_eye?.[lookedAt(name)] ?? null;
  const open = (name: ReadingName) => readings[name] === null && looked(name) === null;
  const goOn = (from: ReadingName): boolean => {
    const following = there.slice(there.indexOf(from) + 1);
    const empty = following.find((name) => name && open(name)) ?? null;
    setNext(empty);
    return empty !== null;
  };
  const field = (
    name: ReadingName,
    label: string,
    at: Point,
    bare: "m" | "cm",
    optional = false,
    beside?: Point,
  ) => (
    <Pin at={at} beside={beside}>
      {looked(name) !== null || (byEye && open(name)) ? (
        <Glances
          label={label}
          glance={looked(name)}
          readOnly={readOnly}
          onLook={(glance) => onLook(name, glance)}
        />
      ) : (
        <LengthField
          label={label}
          metres={readings[name]}
          bare={bare}
          optional={optional}
          readOnly={readOnly}
          size="medium"
          keypad={touched}
          width={136}
          focused={next === name}
          reached={() => setNext(null)}
          entered={() => goOn(name)}
          onCommit={(metres) => onRead(name, metres)}
        />
      )}
    </Pin>
  );
  // Fields stand clear of the vehicle: past the edge, and out on its free side.
  const shut = ({ to_m }: Dimensioned): Point => step(to_m, drawing.away, -0.95);
  const lane = ({ from_m, to_m }: Dimensioned): Point => step(mid(from_m, to_m), drawing.away, 2.4);
  return (
    <Slab
      named={false}
      bounds={bounds}
      label={t("tape.where it ended to scale")}
      overlay={
        <>
          {rear &&
            field("kerb_rear_m", words.kerb_rear_m, shut(rear), "cm", false, front && shut(front))}
          {front &&
            field("kerb_front_m", words.kerb_front_m, shut(front), "cm", false, rear && shut(rear))}
          {ahead && field("ahead_m", words.ahead_m, lane(ahead), "m", true)}
          {behind && field("behind_m", words.behind_m, lane(behind), "m", true)}
        </>
      }
    >
      <Scene ground={ground} />
      {tape && <VehicleShape vehicle={vehicle} pose={final} look="ghost" />}
      <g opacity={tape ? 1 : 0.35}>
        <VehicleShape vehicle={vehicle} pose={drawn} look={tape ? "final" : "ghost"} />
      </g>
      {mend && <MendPath mend={mend} vehicle={vehicle} />}
      {[rear, front].map(
        (one) => one && <Dimension key={one.what} from={one.from_m} to={one.to_m} />,
      )}
      {[ahead, behind].map(
        (one) =>
          one && (
            <Dimension
              key={one.what}
              from={step(one.from_m, drawing.away, 1.9)}
              to={step(one.to_m, drawing.away, 1.9)}
            />
          ),
      )}
      <text
        x={12}
        y={drawing.away[1] > 0.5 ? "6%" : "96%"}
        fill="#fff"
        fontSize={13}
        // Read on a road as on a pale footpath.
        stroke={ink.tarmac}
        strokeWidth={3}
        paintOrder="stroke"
      >
        {t(
          captionOf(
            tape,
            READINGS.some((name) => readings[name] !== null),
          ),
        )}
        {mend && ` ${t("tape.coral put right")}`}
      </text>
    </Slab>
  );
};

const captionOf = (tape: Tape | null, typed: boolean): Code => {
  if (!tape) return typed ? "tape.outline as planned" : "tape.outline as planned nothing taped";
  if (tape.by_eye.length > 0) return "tape.solid as looked at";
  return tape.along_known ? "tape.solid as taped outline" : "tape.solid as taped its place";
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
const boundsOf = ([, across]: Point, [, kerb]: Point, points: readonly Point[]) => {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  if (Math.abs(across) < 0.99)
    return {
      left: Math.min(...xs) - 3.6,
      right: Math.max(...xs) + 3.6,
      bottom: Math.min(...ys) - 0.9,
      top: Math.max(...ys) + 0.9,
    };
  // Across the road it may end farther from its kerb than along the near one.
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
