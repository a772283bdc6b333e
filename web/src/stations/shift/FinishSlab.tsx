/** Every finish of the set on the same ground, to scale, with the plan and the mean. */

import Box from "@mui/material/Box";
import { useTheme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import type { FinishSet, Point, Pose, Sheet, VehicleBody } from "../../api/types";
import { BY_EYE, opacityOf, UNMET } from "../../drawing/ended";
import { placed, useFrame } from "../../drawing/frame";
import { Slab } from "../../drawing/Slab";
import { bodyCorners, noseX, rearOverhang } from "../../drawing/VehicleShape";
import { PLACES } from "../../places";
import { ink } from "../../theme";
import { t } from "../../words";

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
  const wide = useMediaQuery(useTheme().breakpoints.up("md"));
  const legend = <Legend counted={finishes.counted} byEye={finishes.by_eye} low={low} />;
  return (
    <Box sx={{ minHeight: 0, display: "grid", gridTemplateRows: "minmax(0, 1fr) auto", gap: 0.75 }}>
      <Slab
        bounds={bounds}
        label={t("shift.finishes on to scale", { count: finishes.counted, name: ground.name })}
        overlay={wide && legend}
      >
        <Scene ground={ground} />
        <Marks vehicle={vehicle} plan={final} finishes={finishes} />
      </Slab>
      {!wide && legend}
    </Box>
  );
};

interface MarksProps {
  vehicle: VehicleBody;
  plan: Pose;
  finishes: FinishSet;
}

/** The finishes that count, the plan and their mean; what was spoilt by others is left away. */
export const Marks = ({ vehicle, plan, finishes }: MarksProps) => {
  const frame = useFrame();
  const counted = finishes.marks.filter((m) => m.counted);
  const outline = (pose: Pose) =>
    frame.path(
      bodyCorners(vehicle).map((p) => placed(pose, p)),
      true,
    );
  return (
    <g>
      {counted.map((mark) => (
        <path
          key={mark.attempt}
          d={outline(mark.pose)}
          fill={ink.pale}
          fillOpacity={mark.by_eye ? 0 : 0.1}
          strokeOpacity={opacityOf(mark)}
          {...(mark.met ? { stroke: ink.chalk } : UNMET)}
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
    </g>
  );
};

/** What the outlines are: under the drawing of a phone, else on it, low down where the vehicles
 *  stand high. */
const Legend = ({ counted, byEye, low }: { counted: number; byEye: number; low: boolean }) => (
  <Box
    sx={{
      position: { md: "absolute" },
      left: 12,
      maxWidth: { md: "calc(100% - 160px)" },
      [low ? "bottom" : "top"]: 10,
      display: "flex",
      flexWrap: "wrap",
      columnGap: 2,
      px: 1.25,
      py: 0.5,
      borderRadius: 1,
      background: ink.cabin,
      color: "#fff",
      fontSize: 13,
    }}
  >
    <Meaning said={t("shift.planned")} stroke={ink.marigold} width={3} dashes="9 5" />
    {counted > 0 && (
      <>
        <Meaning said={t("shift.mean of", { count: counted })} stroke="#fff" width={3} />
        <Meaning said={t("shift.standard met")} stroke={ink.chalk} />
        <Meaning said={t("shift.not met")} stroke={UNMET.stroke} dashes={UNMET.strokeDasharray} />
        {byEye > 0 && (
          <Meaning said={t("shift.by eye", { count: byEye })} stroke={ink.chalk} opacity={BY_EYE} />
        )}
      </>
    )}
  </Box>
);

interface MeaningProps {
  said: string;
  stroke: string;
  width?: number;
  dashes?: string;
  opacity?: number;
}

const Meaning = ({ said, stroke, width = 1, dashes, opacity }: MeaningProps) => (
  <Box component="span" sx={{ display: "inline-flex", alignItems: "center", gap: 0.75 }}>
    <svg width={24} height={4} aria-hidden="true">
      <path
        d="M0 2H24"
        stroke={stroke}
        strokeWidth={width}
        strokeDasharray={dashes}
        opacity={opacity}
      />
    </svg>
    {said}
  </Box>
);
