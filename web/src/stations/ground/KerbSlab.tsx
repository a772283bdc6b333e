/** A kerb on the slab: fields on its dimension lines, handles on what can be moved. */
import type { Metres, Point } from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import { DragHandle } from "../../drawing/DragHandle";
import { KerbScene } from "../../drawing/KerbScene";
import { Slab } from "../../drawing/Slab";
import { PinnedMeasure } from "./PinnedMeasure";
import type { SlabProps } from "./slabProps";
import { Things } from "./Things";

interface Box2 {
  left: Metres;
  right: Metres;
  kerbside: Metres;
  roadside: Metres;
}

const boxOf = (points: readonly Point[], away: number): Box2 => {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y * away);
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    kerbside: away * Math.min(...ys),
    roadside: away * Math.max(...ys),
  };
};

export const KerbSlab = ({ ground, measures, things, readOnly, onMeasure, onThing }: SlabProps) => {
  const shared = { measures, readOnly, onMeasure };
  const away = ground.side === "left" ? -1 : 1;
  const find = (name: string | null) => ground.obstacles.find((o) => o.name === name);
  const { goal } = ground;
  const ahead = goal.kind === "kerbside" ? find(goal.ahead) : undefined;
  const behind = goal.kind === "kerbside" ? find(goal.behind) : undefined;
  if (!ahead) return null;
  const a = boxOf(ahead.polygon_m, away);
  const b = behind && boxOf(behind.polygon_m, away);
  const reach = Math.min(ground.road_width_m + 0.9, 9);
  const bounds = {
    left: (b?.left ?? a.left - 8) - 0.8,
    right: a.right + 2.8,
    bottom: away < 0 ? -reach : -1.6,
    top: away < 0 ? 1.6 : reach,
  };
  const beyond = (y: Metres) => y + away * 0.55;
  const mid = (box: Box2) => (box.left + box.right) / 2;
  const inner = (box: Box2) => (box.kerbside + box.roadside) / 2;
  const gapY = b ? (inner(a) + inner(b)) / 2 : 0;
  return (
    <Slab
      bounds={bounds}
      label={`${ground.name}, to scale`}
      overlay={
        <>
          <PinnedMeasure
            {...shared}
            measure="ahead_length"
            label="Length"
            at={[mid(a), beyond(a.roadside) + away * 0.1]}
          />
          <PinnedMeasure
            {...shared}
            measure="ahead_off_kerb"
            label="Off the kerb"
            at={[mid(a), -away * 0.75]}
            bare="cm"
          />
          <PinnedMeasure
            {...shared}
            measure="ahead_width"
            label="Width"
            at={[a.right + 0.9, inner(a)]}
          />
          {b && (
            <PinnedMeasure
              {...shared}
              measure="gap"
              label="Gap"
              at={[(a.left + b.right) / 2, gapY]}
            />
          )}
          {b && (
            <PinnedMeasure
              {...shared}
              measure="behind_length"
              label="Length"
              at={[mid(b), beyond(b.roadside) + away * 0.1]}
            />
          )}
          {b && (
            <PinnedMeasure
              {...shared}
              measure="behind_off_kerb"
              label="Off the kerb"
              at={[mid(b), -away * 0.75]}
              bare="cm"
            />
          )}
          {!readOnly && b && (
            <DragHandle
              label="Move the vehicle behind along the kerb"
              at={[b.right, inner(b)]}
              axis="x"
              value={measures.gap ?? 0}
              sign={-1}
              onChange={(metres) => onMeasure("gap", metres)}
            />
          )}
          {!readOnly && (
            <DragHandle
              label="Move the vehicle ahead off the kerb"
              at={[a.left + 0.35, a.roadside]}
              axis="y"
              value={measures.ahead_off_kerb ?? 0}
              sign={away}
              onChange={(metres) => onMeasure("ahead_off_kerb", metres)}
            />
          )}
          <Things things={things} readOnly={readOnly} onThing={onThing} />
        </>
      }
    >
      <KerbScene ground={ground} />
      <Dimension from={[a.right + 0.3, a.kerbside]} to={[a.right + 0.3, a.roadside]} />
      <Dimension from={[a.left, beyond(a.roadside)]} to={[a.right, beyond(a.roadside)]} />
      {b && <Dimension from={[b.left, beyond(b.roadside)]} to={[b.right, beyond(b.roadside)]} />}
      {b && <Dimension from={[b.right, gapY]} to={[a.left, gapY]} />}
    </Slab>
  );
};
