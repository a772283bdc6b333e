/** What is measured on the way, where the standard limits it: by tape or by eye, and by nobody. */

import Box from "@mui/material/Box";
import type { Notes, Sheet } from "../../api/types";
import { measureName } from "../../judging/measures";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { useVocabulary } from "../../shell/useVocabulary";

type Way = Notes["on_the_way"];
export type WayMeasure = keyof Way & string;

/** What of it the standard of a sheet limits, and what was taken of it anyhow. */
export const useWayMeasures = (sheet: Sheet, taken: Way): WayMeasure[] => {
  const { measures } = useVocabulary();
  const limited: string[] = sheet.standard.body.limits.map(({ measure }) => measure);
  return measures
    .filter(({ name, on_the_way }) => on_the_way && (limited.includes(name) || name in taken))
    .map(({ name }) => name as WayMeasure);
};

interface Props {
  measures: readonly WayMeasure[];
  way: Way;
  change: (way: Way) => void;
}

export const WayFields = ({ measures, way, change }: Props) => (
  <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, pt: 1 }}>
    {measures.map((name) => {
      const set = (value: number | null) => {
        const { [name]: _, ...rest } = way;
        change(value === null ? rest : { ...rest, [name]: value });
      };
      const label = measureName(name);
      const value = way[name] ?? null;
      return name.endsWith("_m") ? (
        <LengthField
          key={name}
          label={label}
          metres={value}
          bare="cm"
          optional
          width={280}
          onCommit={set}
        />
      ) : (
        <NumberField key={name} label={label} value={value} optional width={280} onCommit={set} />
      );
    })}
  </Box>
);
