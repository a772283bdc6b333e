/** An empty road on the slab: to turn round in, with a corner, or with a free kerb. */
import type { Point } from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import type { Bounds } from "../../drawing/frame";
import { PlaceScene } from "../../drawing/PlaceScene";
import { Slab } from "../../drawing/Slab";
import { PinnedMeasure } from "./PinnedMeasure";
import type { SlabProps } from "./slabProps";
import { Things } from "./Things";

type Fields = Pick<SlabProps, "measures" | "readOnly" | "onMeasure">;

export const RoadSlab = (props: SlabProps) => {
  const { ground, measures, readOnly, onMeasure } = props;
  const { goal } = ground;
  const away = ground.side === "left" ? -1 : 1;
  const width = ground.road_width_m;
  const shared: Fields = { measures, readOnly, onMeasure };
  const view = (left: number, right: number, into: number, out: number): Bounds =>
    away < 0 ? { left, right, bottom: -out, top: into } : { left, right, bottom: -into, top: out };
  if (goal.kind === "corner") {
    const { radius_m: radius, side_width_m: side, back_m: back } = goal;
    const deep = Math.max(radius + 2, back + 3);
    const up = -away;
    const diagonal: Point = [radius * (1 - Math.SQRT1_2), up * radius * (1 - Math.SQRT1_2)];
    const across = up * (radius + 1.2);
    return (
      <Slab
        bounds={view(-side - radius - 3, radius + 8, deep, width + 0.9)}
        label={`${ground.name}, to scale`}
        overlay={
          <>
            <PinnedMeasure
              {...shared}
              measure="corner_radius"
              label="Radius"
              at={[radius + 1.6, up * (radius + 0.8)]}
            />
            <PinnedMeasure
              {...shared}
              measure="side_width"
              label="Side road"
              at={[-side / 2, across]}
            />
            <PinnedMeasure
              {...shared}
              measure="road_width"
              label="Road width"
              at={[radius + 5, (away * width) / 2]}
            />
            <PinnedMeasure
              {...shared}
              measure="goal_back"
              label="Nose to mouth"
              at={[-side - 2.2, (up * back) / 2]}
            />
            <Things {...props} />
          </>
        }
      >
        <PlaceScene ground={ground} />
        <Dimension from={[radius, up * radius]} to={diagonal} />
        <Dimension from={[-side, across]} to={[0, across]} />
        <Dimension from={[radius + 5, 0]} to={[radius + 5, away * width]} />
        <Dimension from={[-side + 0.5, 0]} to={[-side + 0.5, up * back]} />
      </Slab>
    );
  }
  const run = goal.kind === "stretch" ? goal.run_m + goal.short_m : 0;
  const left = goal.kind === "stretch" ? -Math.max(run + 6, 12) : -9;
  const at: Point = [goal.kind === "stretch" ? left + 2 : 6, (away * width) / 2];
  return (
    <Slab
      bounds={view(left, goal.kind === "stretch" ? 4 : 13, 1.6, width + 1.2)}
      label={`${ground.name}, to scale`}
      overlay={
        <>
          <PinnedMeasure {...shared} measure="road_width" label="Road width" at={at} />
          {goal.kind === "stretch" && (
            <PinnedMeasure
              {...shared}
              measure="goal_run"
              label="To reverse"
              at={[-goal.short_m - goal.run_m / 2, away * 2.9]}
            />
          )}
          <Things {...props} />
        </>
      }
    >
      <PlaceScene ground={ground} />
      <Dimension from={[at[0], 0]} to={[at[0], away * width]} />
      {goal.kind === "stretch" && (
        <Dimension from={[-run, away * 2.2]} to={[-goal.short_m, away * 2.2]} />
      )}
    </Slab>
  );
};
