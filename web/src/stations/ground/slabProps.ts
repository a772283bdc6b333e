import type { GroundBody, Metres, Thing } from "../../api/types";

/** What a drawing of the place needs, whichever kind it is. */
export interface SlabProps {
  ground: GroundBody;
  measures: Record<string, Metres>;
  readOnly: boolean;
  onMeasure: (measure: string, metres: Metres) => void;
  things: readonly Thing[];
  /** Puts a thing down, or moves the one of that name; fails where that cannot be. */
  onThing: (thing: Thing) => Promise<unknown>;
}
