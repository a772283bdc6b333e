/** How one drives: what starts the clock, which way it counts, what the device does. */
import { useStored } from "../../shell/useStored";

export interface DriveOptions {
  /** "chosen": the clock starts once indicator and gear are. */
  starts: "by hand" | "chosen";
  counts: "up" | "down";
  speaks: boolean;
  buzzes: boolean;
}

const USUAL: DriveOptions = { starts: "by hand", counts: "up", speaks: false, buzzes: true };

export const useDriveOptions = () => {
  const [kept, keep] = useStored<Partial<DriveOptions>>("drive options", {});
  const options = { ...USUAL, ...kept };
  return { options, choose: (part: Partial<DriveOptions>) => keep({ ...kept, ...part }) };
};
