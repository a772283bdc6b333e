/** The place to scale: a field on every dimension line, a handle on what can be pulled. */

import type { GroundBody, GroundState, Metres, Thing } from "../../api/types";
import { Dimension } from "../../drawing/Dimension";
import { DragHandle } from "../../drawing/DragHandle";
import { Pin } from "../../drawing/Pin";
import { Slab } from "../../drawing/Slab";
import { PLACES } from "../../places";
import { LengthField } from "../../shell/LengthField";
import { type Code, t } from "../../words";
import { Things } from "./Things";

interface Props {
  ground: GroundBody;
  state: GroundState;
  readOnly: boolean;
  onMeasure: (measure: string, metres: Metres) => void;
  /** Puts a thing down, or moves the one of that name; fails where that cannot be. */
  onThing: (thing: Thing) => Promise<unknown>;
}

const inWords = (words: Record<string, Code> | undefined, measure: string): string => {
  const code = words?.[measure];
  return code ? t(code) : measure;
};

export const GroundSlab = ({ ground, state, readOnly, onMeasure, onThing }: Props) => {
  const { measures, sketch, things } = state;
  const { Scene, measures: words, grips } = PLACES[ground.goal.kind];
  return (
    <Slab
      bounds={sketch.view}
      label={t("ground.to scale", { name: ground.name })}
      overlay={
        <>
          {sketch.lines.map(({ measure, at_m, fine }) => (
            <Pin key={measure} at={at_m}>
              <LengthField
                label={inWords(words, measure)}
                metres={measures[measure] ?? 0}
                bare={fine ? "cm" : "m"}
                readOnly={readOnly}
                width={116}
                onCommit={(typed) => typed !== null && onMeasure(measure, typed)}
              />
            </Pin>
          ))}
          {!readOnly &&
            sketch.lines.map(
              ({ measure, grip_m, pull }) =>
                grip_m &&
                pull && (
                  <DragHandle
                    key={measure}
                    label={inWords(grips, measure)}
                    at={grip_m}
                    pull={pull}
                    value={measures[measure] ?? 0}
                    onChange={(metres) => onMeasure(measure, metres)}
                  />
                ),
            )}
          <Things things={things} readOnly={readOnly} onThing={onThing} />
        </>
      }
    >
      <Scene ground={ground} />
      {sketch.lines.map(
        ({ measure, ends_m }) =>
          ends_m && <Dimension key={measure} from={ends_m[0]} to={ends_m[1]} />,
      )}
    </Slab>
  );
};
