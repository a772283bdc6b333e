/** The vehicle from above, its measures typed where they are drawn. */

import type { ReactNode } from "react";
import type { Metres, Point, Pose, SeatBody, VehicleBody } from "../../api/types";
import type { Measure as AnyMeasure } from "../../desk/measuring/walk";
import { Dimension } from "../../drawing/Dimension";
import { useFrame } from "../../drawing/frame";
import { Pin } from "../../drawing/Pin";
import { Slab } from "../../drawing/Slab";
import { noseX, rearOverhang, VehicleShape } from "../../drawing/VehicleShape";
import { LengthField } from "../../shell/LengthField";
import { ink } from "../../theme";
import { t } from "../../words";
import { Chosen } from "./Chosen";

interface Props {
  vehicle: VehicleBody;
  /** Nobody's, as long as no seat is measured. */
  seat: SeatBody | null;
  /** What has been measured, where the rest is drawn as is usual; else all of it has. */
  measured?: Partial<Record<Measure, Metres>>;
  set: (measure: Measure, metres: Metres | null) => void;
  readOnly: boolean;
  /** The measure that comes now on the walk, and what is told when a hand goes to another. */
  active?: string;
  reached?: (measure: Measure) => void;
  /** The part that is being looked at, and handles to move it by. */
  chosen?: readonly Point[];
  overlay?: ReactNode;
}

const HERE: Pose = { x_m: 0, y_m: 0, heading_deg: 0 };

export type Measure = Exclude<AnyMeasure, "height_m" | "sill_m">;

interface Line {
  measure: Measure;
  label: string;
  from: Point;
  to: Point;
}

/** Where each measure is drawn: lengths below and above the body, widths across it. */
export const linesOf = (v: VehicleBody): Line[] => {
  const rear = -rearOverhang(v);
  const nose = noseX(v);
  const side = v.mirror_width_m / 2;
  return [
    {
      measure: "length_m",
      label: t("seat.length"),
      from: [rear, -side - 0.95],
      to: [nose, -side - 0.95],
    },
    {
      measure: "wheelbase_m",
      label: t("seat.wheelbase"),
      from: [0, side + 0.85],
      to: [v.wheelbase_m, side + 0.85],
    },
    {
      measure: "front_overhang_m",
      label: t("seat.overhang"),
      from: [v.wheelbase_m, -side - 0.35],
      to: [nose, -side - 0.35],
    },
    {
      measure: "width_m",
      label: t("seat.width"),
      from: [nose + 0.35, -v.width_m / 2],
      to: [nose + 0.35, v.width_m / 2],
    },
    {
      measure: "mirror_width_m",
      label: t("seat.with mirrors"),
      from: [rear - 0.35, -side],
      to: [rear - 0.35, side],
    },
    {
      measure: "track_rear_m",
      label: t("seat.rear track"),
      from: [0, -v.track_rear_m / 2],
      to: [0, v.track_rear_m / 2],
    },
    {
      measure: "track_front_m",
      label: t("seat.front track"),
      from: [v.wheelbase_m, -v.track_front_m / 2],
      to: [v.wheelbase_m, v.track_front_m / 2],
    },
  ];
};

export const VehicleSheet = (props: Props) => {
  const { vehicle, seat, measured, set, readOnly, active, reached, chosen = [], overlay } = props;
  const lines = linesOf(vehicle);
  const reach = vehicle.mirror_width_m / 2;
  const bounds = {
    left: -rearOverhang(vehicle) - 1.1,
    right: noseX(vehicle) + 1.1,
    bottom: -reach - 1.5,
    top: reach + 1.5,
  };
  // Widths are typed beside each other, on either side of the middle, the tracks clear of the eye.
  const clear = seat && seat.eye.y_m > 0 ? -1 : 1;
  const middle = (line: Line): Point => [
    (line.from[0] + line.to[0]) / 2,
    (line.from[1] + line.to[1]) / 2 +
      (line.measure.startsWith("track") ? 0.24 : line.from[0] === line.to[0] ? -0.24 : 0) *
        clear *
        vehicle.width_m,
  ];
  return (
    <Slab
      bounds={bounds}
      label={t("seat.from above to scale", { name: vehicle.name })}
      overlay={
        <>
          {lines.map((line) => (
            <Pin key={line.measure} at={middle(line)}>
              <LengthField
                label={line.label}
                metres={(measured ?? vehicle)[line.measure] ?? null}
                readOnly={readOnly}
                optional={measured !== undefined}
                focused={active === line.measure}
                reached={reached && (() => reached(line.measure))}
                onCommit={(metres) => set(line.measure, metres)}
              />
            </Pin>
          ))}
          {overlay}
        </>
      }
    >
      <VehicleShape vehicle={vehicle} pose={HERE} look="start" />
      {measured === undefined && <Features vehicle={vehicle} />}
      {seat && <Eyes seat={seat} />}
      <Chosen points={chosen} />
      {lines.map((line) => (
        <Dimension
          key={line.measure}
          from={line.from}
          to={line.to}
          colour={
            line.measure === active
              ? ink.coral
              : line.measure.startsWith("track")
                ? ink.soft
                : ink.chalk
          }
        />
      ))}
    </Slab>
  );
};

/** Drawn smaller, px a metre, their names would lie over each other. */
const NAMED_FROM = 120;

/** A mark this near the flank's outside is on it, m. */
const ON_FLANK = 0.05;

/** The named features of one side, as ticks on the flank: what cues are told against. */
const Features = ({ vehicle }: { vehicle: VehicleBody }) => {
  const frame = useFrame();
  const near = vehicle.features
    .filter((f) => f.y_m > vehicle.width_m / 2 - ON_FLANK)
    .sort((a, b) => a.x_m - b.x_m);
  return (
    <g fontSize={12} fill={ink.chalk}>
      {near.map((feature, i) => {
        const x = frame.x(feature.x_m);
        const y = frame.y(feature.y_m);
        const rise = 16 + (i % 2) * 16;
        return (
          <g key={feature.name}>
            <path d={`M${x} ${y}v${-rise}`} stroke={ink.chalk} />
            <circle cx={x} cy={y} r={3} fill={ink.marigold} stroke={ink.ink} />
            {frame.scale > NAMED_FROM && (
              <text x={x} y={y - rise - 4} textAnchor="middle">
                {feature.name}
              </text>
            )}
            <title>{feature.name}</title>
          </g>
        );
      })}
    </g>
  );
};

const Eyes = ({ seat }: { seat: SeatBody }) => {
  const frame = useFrame();
  const eyes = [
    { name: t("seat.the eye"), at: seat.eye, back: false },
    ...(seat.eye_looking_back
      ? [{ name: t("seat.looking back"), at: seat.eye_looking_back, back: true }]
      : []),
  ];
  return (
    <g>
      {eyes.map(({ name, at, back }) => (
        <g key={name} transform={`translate(${frame.x(at.x_m)} ${frame.y(at.y_m)})`}>
          <circle r={5.5} fill={back ? "none" : ink.coral} stroke={ink.coral} strokeWidth={2.5} />
          <text
            x={back ? -9 : 9}
            y={4}
            textAnchor={back ? "end" : "start"}
            fontSize={13}
            fontWeight={700}
            fill={ink.ink}
          >
            {name}
          </text>
        </g>
      ))}
    </g>
  );
};
