/** What the first stop is for, and the last: starting the clock, and being done. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Sheet } from "../../api/types";
import { t } from "../../words";
import { last, lastStop } from "./jotted";
import { type Noting, toggleClock } from "./useDriveKeys";
import type { DriveOptions } from "./useDriveOptions";
import type { Following } from "./useFollowing";

interface Props {
  sheet: Sheet;
  noting: Noting;
  options: DriveOptions;
  /** Keeps the attempt and goes to its tape. */
  done: () => void;
  following: Following | null;
  /** Keeps it and goes on with the lesson's next exercise. */
  goOn: () => void;
}

export const Ends = ({ sheet, noting, options, done, following, goOn }: Props) => {
  const { draft, change, keep } = noting;
  const next = (
    <Button variant="outlined" sx={big} onClick={() => change({ card: draft.card + 1 })}>
      {t(draft.card === lastStop(draft) ? "drive.leaving" : "drive.to the first call")}
    </Button>
  );
  if (draft.card === 0)
    return (
      <Box sx={row}>
        {draft.started ? next : <Start sheet={sheet} noting={noting} options={options} />}
        {!draft.started && options.starts === "by hand" && next}
      </Box>
    );
  return (
    <Box sx={row}>
      {draft.card < last(draft) && next}
      {following && (
        <Button
          variant="outlined"
          sx={big}
          disabled={draft.started === null || keep.isPending}
          onClick={goOn}
        >
          {t("drive.done and on to", { what: following.what })}
        </Button>
      )}
      <Button
        variant="contained"
        color="secondary"
        sx={big}
        disabled={draft.started === null || keep.isPending}
        onClick={done}
      >
        {t("drive.declared done")}
      </Button>
    </Box>
  );
};

const Start = ({ sheet, noting, options }: Pick<Props, "sheet" | "noting" | "options">) => {
  const { draft, change } = noting;
  if (options.starts === "by hand")
    return (
      <Button variant="contained" sx={big} onClick={() => toggleClock(noting)}>
        {t("drive.start the clock")}
      </Button>
    );
  const choose = (now: { indicator: boolean; gear: boolean }) =>
    now.indicator && now.gear
      ? change({ ...now, runningSince: Date.now(), started: new Date().toISOString() })
      : change(now);
  const { indicator, gear } = draft;
  const chosen = (label: string, on: boolean, press: () => void) => (
    <Button variant={on ? "contained" : "outlined"} aria-pressed={on} sx={big} onClick={press}>
      {label}
    </Button>
  );
  const which = sheet.plan.legs[0]?.gear === "forward" ? "forward" : "reverse";
  return (
    <>
      {chosen(t("drive.indicator chosen"), indicator, () =>
        choose({ indicator: !indicator, gear }),
      )}
      {chosen(t(`drive.${which} chosen`), gear, () => choose({ indicator, gear: !gear }))}
    </>
  );
};

const row = { display: "flex", flexWrap: "wrap", gap: 1 } as const;
const big = {
  flex: "1 1 120px",
  minHeight: { xs: 60, md: 76 },
  fontSize: 18,
  lineHeight: 1.15,
} as const;
