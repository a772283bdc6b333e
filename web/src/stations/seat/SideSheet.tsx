/** The vehicle from the side: its outline, its glass and marks, the eye; heights typed where drawn. */

import type { ReactNode } from "react";
import type { Metres, Point, SeatBody, VehicleBody } from "../../api/types";
import { heightOf, sillOf } from "../../desk/measuring/walk";
import { Dimension } from "../../drawing/Dimension";
import { useFrame } from "../../drawing/frame";
import { Pin } from "../../drawing/Pin";
import { Slab } from "../../drawing/Slab";
import { noseX, rearOverhang } from "../../drawing/VehicleShape";
import { LengthField } from "../../shell/LengthField";
import { ink } from "../../theme";
import { t } from "../../words";
import { Chosen } from "./Chosen";

/** How far a tyre reaches up, m: nobody measures it, and nothing rests on it. */
const WHEEL = 0.31;
const HEAVY_WHEEL = 0.5;
const CLEARANCE = 0.25;

interface Props {
  vehicle: VehicleBody;
  seat: SeatBody | null;
  /** The heights that are typed here; none where they are only shown. */
  heights?: {
    given: { height_m: Metres | null; sill_m: Metres | null };
    active: string;
    reached: (measure: "height_m" | "sill_m") => void;
    set: (measure: "height_m" | "sill_m", metres: Metres | null) => void;
  };
  /** What lies over the drawing: handles of what is being moved. */
  overlay?: ReactNode;
  /** The part that is being looked at. */
  chosen?: readonly Point[];
}

export const SideSheet = ({ vehicle, seat, heights, overlay, chosen = [] }: Props) => {
  const high = heightOf(vehicle);
  const [tail, nose] = [-rearOverhang(vehicle), noseX(vehicle)];
  const sill = sillOf(vehicle);
  const bounds = { left: tail - 1.1, right: nose + 1.1, bottom: -0.35, top: high + 0.45 };
  const lines = {
    height_m: [
      [tail - 0.5, 0],
      [tail - 0.5, high],
    ],
    sill_m: [
      [nose + 0.4, 0],
      [nose + 0.4, sill ?? 1],
    ],
  } as const;
  const labels = { height_m: t("measure.height"), sill_m: t("measure.sill") };
  return (
    <Slab
      bounds={bounds}
      label={t("seat.from the side to scale", { name: vehicle.name })}
      overlay={
        <>
          {heights &&
            (["height_m", "sill_m"] as const).map((measure) => (
              <Pin key={measure} at={[lines[measure][0][0], (lines[measure][1][1] as number) / 2]}>
                <LengthField
                  label={labels[measure]}
                  metres={heights.given[measure]}
                  optional
                  reached={() => heights.reached(measure)}
                  focused={heights.active === measure}
                  onCommit={(metres) => heights.set(measure, metres)}
                />
              </Pin>
            ))}
          {overlay}
        </>
      }
    >
      <Outline vehicle={vehicle} />
      {seat && <Eye seat={seat} />}
      <Chosen points={chosen} />
      {heights &&
        (["height_m", "sill_m"] as const).map((measure) => (
          <Dimension
            key={measure}
            from={lines[measure][0]}
            to={lines[measure][1]}
            colour={heights.active === measure ? ink.coral : ink.chalk}
          />
        ))}
    </Slab>
  );
};

const Outline = ({ vehicle }: { vehicle: VehicleBody }) => {
  const frame = useFrame();
  const [tail, nose] = [-rearOverhang(vehicle), noseX(vehicle)];
  const high = heightOf(vehicle);
  const roof: readonly Point[] =
    vehicle.roofline_m.length > 0
      ? vehicle.roofline_m
      : [
          [nose, high],
          [tail, high],
        ];
  const wheel = vehicle.class === "car" ? WHEEL : HEAVY_WHEEL;
  const { left, right, bottom } = frame.bounds;
  // Either flank has the same glass: the one is drawn.
  const panes = vehicle.glass.filter((pane) => pane.polygon_m.every(([, y]) => y > 0));
  return (
    <g>
      <path
        d={frame.path(
          [
            [left, 0],
            [right, 0],
            [right, bottom],
            [left, bottom],
          ],
          true,
        )}
        fill={ink.footpath}
      />
      <path
        d={frame.path([[nose, CLEARANCE], ...roof, [tail, CLEARANCE]], true)}
        fill={ink.buff}
        stroke={ink.ink}
        strokeWidth={1.5}
        strokeLinejoin="round"
      />
      {panes.map((pane) => (
        <path
          key={pane.polygon_m.join()}
          d={frame.path(
            pane.polygon_m.map(([x, , z]): Point => [x, z]),
            true,
          )}
          fill={ink.sky}
          stroke={ink.ink}
        />
      ))}
      {[0, vehicle.wheelbase_m].map((x) => (
        <circle
          key={x}
          cx={frame.x(x)}
          cy={frame.y(wheel)}
          r={wheel * frame.scale}
          fill={ink.ink}
        />
      ))}
      {vehicle.features
        .filter((mark) => mark.y_m > 0)
        .map((mark) => (
          <circle
            key={mark.name}
            cx={frame.x(mark.x_m)}
            cy={frame.y(mark.z_m)}
            r={3}
            fill={ink.marigold}
            stroke={ink.ink}
          >
            <title>{mark.name}</title>
          </circle>
        ))}
    </g>
  );
};

const Eye = ({ seat }: { seat: SeatBody }) => {
  const frame = useFrame();
  const [x, y] = [frame.x(seat.eye.x_m), frame.y(seat.eye.z_m)];
  const off = seat.uncertain_m;
  return (
    <g>
      <ellipse
        cx={x}
        cy={y}
        rx={Math.max(off.x_m * frame.scale, 5)}
        ry={Math.max(off.z_m * frame.scale, 5)}
        fill={ink.coral}
        fillOpacity={0.3}
      />
      <circle cx={x} cy={y} r={4} fill={ink.coral} />
      <text x={x + 9} y={y - 7} fontSize={13} fontWeight={700} fill={ink.ink}>
        {t("seat.the eye")}
      </text>
      {seat.marks.map((mark) => (
        <g key={mark.name} transform={`translate(${frame.x(mark.x_m)} ${frame.y(mark.z_m)})`}>
          <rect x={-4} y={-4} width={8} height={8} fill={ink.plum} stroke="#fff" />
          <text x={8} y={4} fontSize={12} fill={ink.ink}>
            {mark.name}
          </text>
        </g>
      ))}
    </g>
  );
};
