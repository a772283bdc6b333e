/** A bay on the slab: fields on its dimension lines, a handle on each neighbour. */
import type { Metres, Point } from "../../api/types";
import { BayScene } from "../../drawing/BayScene";
import { bayAxis } from "../../drawing/berth";
import { Dimension } from "../../drawing/Dimension";
import { Slab } from "../../drawing/Slab";
import { PinnedMeasure } from "./PinnedMeasure";
import type { SlabProps } from "./slabProps";
import { Things } from "./Things";

export const BaySlab = ({ ground, measures, things, readOnly, onMeasure, onThing }: SlabProps) => {
  const shared = { measures, readOnly, onMeasure };
  const { goal } = ground;
  if (goal.kind !== "bay") return null;
  const away = ground.side === "left" ? -1 : 1;
  const into = bayAxis(ground.side, goal);
  const across: Point = [into[1] * -away, into[0] * away];
  const at = (inward: Metres, aside: Metres): Point => [
    into[0] * inward + across[0] * aside,
    into[1] * inward + across[1] * aside,
  ];
  const half = goal.width_m / 2;
  const depth = Math.abs(into[1]) * goal.depth_m;
  const lean = into[0] * goal.depth_m;
  const reach = Math.min(ground.road_width_m + 0.9, 9);
  const outer = (3 * half) / Math.abs(into[1]);
  const bounds = {
    left: Math.min(-outer, -outer + lean) - 1.2,
    right: Math.max(outer, outer + lean) + 1.2,
    bottom: away < 0 ? -reach : -depth - 1.6,
    top: away < 0 ? depth + 1.6 : reach,
  };
  const middle = goal.depth_m * 0.45;
  // Where the mouths lie aslant, a neighbour's bay begins earlier or later than this one.
  const slant = (goal.width_m * into[0]) / Math.abs(into[1]);
  const guide = goal.guide_m;
  const aisle: Point = [bounds.left + 1.4, (away * ground.road_width_m) / 2];
  return (
    <Slab
      bounds={bounds}
      label={`${ground.name}, to scale`}
      overlay={
        <>
          <PinnedMeasure {...shared} measure="bay_width" label="Width" at={at(middle, 0)} />
          <PinnedMeasure
            {...shared}
            measure="bay_depth"
            label="Depth"
            at={at(goal.depth_m * 0.78, 0)}
          />
          <PinnedMeasure
            {...shared}
            measure="before_off_line"
            label="Off the line"
            at={at(goal.depth_m + 0.75 - slant, -half - 1.25)}
            bare="cm"
          />
          <PinnedMeasure
            {...shared}
            measure="beyond_off_line"
            label="Off the line"
            at={at(goal.depth_m + 0.75 + slant, half + 1.25)}
            bare="cm"
          />
          <PinnedMeasure {...shared} measure="aisle" label="Aisle" at={aisle} />
          {guide !== null && (
            <PinnedMeasure
              {...shared}
              measure="guide"
              label="Guide line"
              at={[bounds.right - 1.4, away * (guide + 0.75)]}
            />
          )}
          <Things things={things} readOnly={readOnly} onThing={onThing} />
        </>
      }
    >
      <BayScene ground={ground} />
      <Dimension from={at(middle, -half)} to={at(middle, half)} />
      <Dimension from={at(0, 0)} to={at(goal.depth_m, 0)} />
      {guide !== null && (
        <Dimension from={[bounds.right - 1.4, 0]} to={[bounds.right - 1.4, away * guide]} />
      )}
      <Dimension from={[aisle[0], 0]} to={[aisle[0], away * ground.road_width_m]} />
    </Slab>
  );
};
