/** What has to happen once a limit is passed, to be known while it is driven. */

import Box from "@mui/material/Box";
import type { Sheet } from "../../api/types";
import { limitText } from "../../judging/measures";
import { limitName, passedText } from "../../judging/said";
import type { FinishWords } from "../../places";
import { useUnits } from "../../shell/useDocket";
import { t } from "../../words";

export const WhenPassed = ({ sheet, words }: { sheet: Sheet; words: FinishWords }) => {
  const units = useUnits();
  return sheet.standard.body.limits.map(
    (limit) =>
      limit.passed && (
        <Box key={`${limit.measure}/${limit.phase}`} sx={{ fontSize: 14 }}>
          {t("judging.limit passed", {
            limit: limitName(limit, words),
            range: limitText(limit.measure, limit.small ?? limit.serious ?? limit.ends, units),
            what: passedText(limit.passed),
          })}
        </Box>
      ),
  );
};
