/** A kerb on the slab: fields on its dimension lines, handles on what can be moved. */
import type { GroundBody, Metres, Point } from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import { DragHandle } from "../../drawing/DragHandle";
import { KerbScene } from "../../drawing/KerbScene";
import { Pin } from "../../drawing/Pin";
import { Slab } from "../../drawing/Slab";
import { LengthField } from "../../shell/LengthField";

export interface Props {
  ground: GroundBody;
  measures: Record<string, Metres>;
  readOnly: boolean;
  onMeasure: (measure: string, metres: Metres) => void;
}

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

export const KerbSlab = ({ ground, measures, readOnly, onMeasure }: Props) => {
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
    right: a.right + 2,
    bottom: away < 0 ? -reach : -1.6,
    top: away < 0 ? 1.6 : reach,
  };
  const field = (measure: string, label: string, at: Point, bare: "m" | "cm" = "m") => (
    <Pin key={measure} at={at}>
      <LengthField
        label={label}
        metres={measures[measure] ?? null}
        bare={bare}
        readOnly={readOnly}
        width={116}
        onCommit={(metres) => metres !== null && onMeasure(measure, metres)}
      />
    </Pin>
  );
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
          {field("ahead_length", "Length", [mid(a), beyond(a.roadside) + away * 0.1])}
          {field("ahead_off_kerb", "Off the kerb", [mid(a), -away * 0.75], "cm")}
          {field("ahead_width", "Width", [a.right + 0.9, inner(a)])}
          {b && field("gap", "Gap", [(a.left + b.right) / 2, gapY])}
          {b && field("behind_length", "Length", [mid(b), beyond(b.roadside) + away * 0.1])}
          {b && field("behind_off_kerb", "Off the kerb", [mid(b), -away * 0.75], "cm")}
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
