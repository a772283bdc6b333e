/** Long work under way: how far it is, and a way to stop it; stopped, a way to have it after all. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { t } from "../words";
import { Failure } from "./states";
import type { LongWork } from "./useLongWork";

interface Props {
  work: LongWork<unknown>;
  /** What is being done, as a clause. */
  what: string;
}

export const Working = ({ work, what }: Props) => {
  if (work.error) return <Failure error={work.error} />;
  if (work.stopped)
    return (
      <Button size="small" onClick={work.again}>
        {t("shell.work it out after all")}
      </Button>
    );
  if (!work.busy) return null;
  const percent = work.share === null ? null : Math.round(100 * work.share);
  return (
    <Box role="status" sx={{ display: "flex", alignItems: "center", gap: 1.5, my: 0.5 }}>
      <Box sx={{ flex: 1 }}>
        <Box>
          {percent === null
            ? t("shell.waiting", { what })
            : t("shell.under way", { what, percent })}
        </Box>
        <LinearProgress
          aria-label={what}
          variant={percent === null ? "indeterminate" : "determinate"}
          {...(percent === null ? {} : { value: percent })}
        />
      </Box>
      <Button size="small" onClick={work.stop} sx={{ minHeight: 44 }}>
        {t("shell.stop")}
      </Button>
    </Box>
  );
};
