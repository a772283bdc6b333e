/** How fast hands turn the wheel, for each metre or foot rolled: as the school measures. */
import { t } from "../words";
import { NumberField } from "./NumberField";
import { useUnits } from "./useDocket";

const FOOT_M = 0.3048;

interface Props {
  label: string;
  /** For each metre. */
  turns: number;
  onCommit: (turns: number) => void;
}

export const TurnsPer = ({ label, turns, onCommit }: Props) => {
  const feet = useUnits() === "imperial";
  const shown = feet ? Math.round(turns * FOOT_M * 1000) / 1000 : turns;
  return (
    <NumberField
      label={`${label}, ${feet ? t("units.turns a foot") : t("units.turns a metre")}`}
      value={shown}
      width={220}
      onCommit={(typed) => onCommit(feet ? typed / FOOT_M : typed)}
    />
  );
};
