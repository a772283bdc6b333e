/** The ground round the vehicle as this driver sees it: directly, in a mirror, not at all. */

import Box from "@mui/material/Box";
import { type PointerEvent, useId, useState } from "react";
import type { Around, Point, Pose, SeatBody, VehicleBody } from "../../api/types";
import { useFrame } from "../../drawing/frame";
import { Slab } from "../../drawing/Slab";
import { TrailerShape } from "../../drawing/TrailerShape";
import { noseX, rearOverhang, VehicleShape } from "../../drawing/VehicleShape";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

interface Props {
  vehicle: VehicleBody;
  seat: SeatBody;
  around: Around;
}

/** The end of the vehicle and of what it tows, m ahead of the rear axle. */
const tailOf = (vehicle: VehicleBody) => {
  const { trailer } = vehicle;
  const own = -rearOverhang(vehicle);
  if (!trailer) return own;
  const nose = trailer.hitch_ahead_of_axle_m + trailer.front_of_kingpin_m;
  return Math.min(own, nose - trailer.length_m);
};

const HERE: Pose = { x_m: 0, y_m: 0, heading_deg: 0 };
const IN_LINE = { ...HERE, trailer_heading_deg: 0 };
/** As much of it as is drawn round the vehicle, m. */
const ROUND = 7.4;

export const GroundSeen = ({ vehicle, seat, around }: Props) => {
  const [at, setAt] = useState<Point | null>(null);
  const reach = vehicle.width_m / 2 + ROUND;
  const bounds = {
    left: tailOf(vehicle) - ROUND,
    right: noseX(vehicle) + ROUND,
    bottom: -reach,
    top: reach,
  };
  return (
    <Box sx={{ display: "grid", gridTemplateRows: "minmax(0, 1fr) auto", gap: 1, minHeight: 0 }}>
      <Slab
        bounds={bounds}
        label={t("seat.ground from this seat", { name: vehicle.name, seat: seat.name })}
        overlay={<Legend camera={around.camera !== null} />}
      >
        <Areas around={around} />
        {vehicle.trailer && <TrailerShape trailer={vehicle.trailer} at={IN_LINE} look="now" />}
        <VehicleShape vehicle={vehicle} pose={HERE} look="start" />
        <Pointed at={at} onPoint={setAt} />
      </Slab>
      <Box role="status" sx={{ fontSize: 15, fontWeight: 700, minHeight: 24 }}>
        <HiddenAt around={around} at={at} />
      </Box>
    </Box>
  );
};

/** Seen is light, a mirror's share is teal, and what is hidden stays dark and hatched. */
const Areas = ({ around }: { around: Around }) => {
  const frame = useFrame();
  const hatch = useId();
  const path = (outline: Point[]) => frame.path(outline, true);
  return (
    <g>
      <pattern
        id={hatch}
        width={9}
        height={9}
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width={9} height={9} fill="#2B3336" />
        <path d="M0 0V9" stroke={ink.tarmac} strokeWidth={3} />
      </pattern>
      {around.direct_m.map((outline) => (
        <path key={path(outline)} d={path(outline)} fill={ink.chalk} fillOpacity={0.86} />
      ))}
      {around.hidden_m.map((outline) => (
        <path key={path(outline)} d={path(outline)} fill={`url(#${hatch})`} fillRule="evenodd" />
      ))}
      {around.mirrors.flatMap(({ name, ground_m }) =>
        ground_m.map((outline) => (
          <path
            key={`${name} ${path(outline)}`}
            d={path(outline)}
            fill={ink.pale}
            fillOpacity={0.8}
            stroke={ink.teal}
            strokeWidth={1.5}
          />
        )),
      )}
      {around.camera?.ground_m.map((outline) => (
        <g key={`camera ${path(outline)}`} strokeWidth={2.5}>
          {/* Dashes that stand out from what is light and from what is dark. */}
          <path d={path(outline)} fill={ink.plum} fillOpacity={0.12} stroke={ink.chalk} />
          <path d={path(outline)} fill="none" stroke={ink.plum} strokeDasharray="7 5" />
        </g>
      ))}
    </g>
  );
};

const Legend = ({ camera }: { camera: boolean }) => (
  <Box
    sx={{
      position: "absolute",
      left: 12,
      top: 12,
      display: "flex",
      gap: 1.5,
      px: 1,
      py: 0.5,
      borderRadius: 1,
      background: ink.sheet,
      fontSize: 13,
    }}
  >
    {(
      [
        ["seat.seen directly", ink.chalk],
        ["seat.seen in a mirror", ink.pale],
        ["seat.hidden", "#2B3336"],
        ...(camera ? [["seat.seen by the camera", ink.plum] as const] : []),
      ] as const
    ).map(([code, colour]) => (
      <Box key={code} sx={{ display: "flex", gap: 0.75, alignItems: "center" }}>
        <Box
          sx={{ width: 14, height: 14, background: colour, border: `1px solid ${ink.soft}` }}
          aria-hidden="true"
        />
        {t(code)}
      </Box>
    ))}
  </Box>
);

interface PointedProps {
  at: Point | null;
  onPoint: (at: Point) => void;
}

const Pointed = ({ at, onPoint }: PointedProps) => {
  const frame = useFrame();
  const point = (e: PointerEvent<SVGRectElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    onPoint(frame.toSite(e.clientX - box.left, e.clientY - box.top));
  };
  return (
    <g>
      <rect
        width={frame.width}
        height={frame.height}
        fill="transparent"
        onPointerMove={point}
        onPointerDown={point}
      />
      {at && (
        <circle
          cx={frame.x(at[0])}
          cy={frame.y(at[1])}
          r={7}
          fill="none"
          stroke={ink.coral}
          strokeWidth={3}
          pointerEvents="none"
        />
      )}
    </g>
  );
};

/** How tall something at the place pointed at may be and still be hidden. */
const HiddenAt = ({ around, at }: { around: Around; at: Point | null }) => {
  const units = useUnits();
  const { corner_m, step_m, tallest_m, least_m } = around.heights;
  const row = at && least_m[Math.round((at[1] - corner_m[1]) / step_m)];
  const height = at && row?.[Math.round((at[0] - corner_m[0]) / step_m)];
  if (height === null || height === undefined) return t("seat.point for height");
  if (height === 0) return t("seat.nothing hidden");
  const tall = { height: length(height, units) };
  return height >= tallest_m ? t("seat.hidden however tall", tall) : t("seat.hidden up to", tall);
};
