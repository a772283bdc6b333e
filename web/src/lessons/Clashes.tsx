/** What else its learner or instructor is to do at the time of a lesson. */
import Box from "@mui/material/Box";
import type { Lesson } from "../api/types";
import { useDates } from "../shell/useDates";
import { ink } from "../theme";
import { t } from "../words";

export const Clashes = ({ of: { clashes } }: { of: Lesson }) => {
  const dates = useDates();
  if (clashes.length === 0) return null;
  const others = clashes.map(({ starts, ...who }) =>
    t("desk.a lesson of", { starts: dates.lesson(starts), ...who }),
  );
  return (
    <Box sx={{ fontWeight: 650, color: ink.coralText }}>
      {t("desk.at the same time", { others: others.join("; ") })}
    </Box>
  );
};
