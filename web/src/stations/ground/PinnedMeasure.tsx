/** A measure of the place, typed where it is drawn; nothing where the place has no such measure. */
import type { Metres, Point } from "../../api/types";
import { Pin } from "../../drawing/Pin";
import { LengthField } from "../../shell/LengthField";
import type { SlabProps } from "./slabProps";

interface Props extends Pick<SlabProps, "measures" | "readOnly" | "onMeasure"> {
  measure: string;
  label: string;
  at: Point;
  bare?: "m" | "cm";
}

export const PinnedMeasure = ({
  measures,
  readOnly,
  onMeasure,
  measure,
  label,
  at,
  bare = "m",
}: Props) => {
  const metres: Metres | undefined = measures[measure];
  if (metres === undefined) return null;
  return (
    <Pin at={at}>
      <LengthField
        label={label}
        metres={metres}
        bare={bare}
        readOnly={readOnly}
        width={116}
        onCommit={(typed) => typed !== null && onMeasure(measure, typed)}
      />
    </Pin>
  );
};
