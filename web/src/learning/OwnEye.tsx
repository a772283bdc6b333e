/** How far off a learner says where the vehicle stands: a skill of its own, with its bias. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import { useQuery } from "@tanstack/react-query";
import { ownEyeQuery } from "../api/queries";
import { useUnits } from "../shell/useDocket";
import { ink } from "../theme";
import { t } from "../words";
import { amount, EYE_NAMES, offText } from "./off";

export const OwnEye = ({ learner }: { learner: number }) => {
  const units = useUnits();
  const { data = [] } = useQuery(ownEyeQuery(learner));
  if (data.length === 0) return null;
  return (
    <Paper component="section" aria-label={t("learning.own eye")} sx={{ p: 1.75 }}>
      <Box component="h2" sx={{ fontSize: 18, m: 0 }}>
        {t("learning.own eye")}
      </Box>
      <Box sx={{ fontSize: 14, color: ink.soft }}>{t("learning.said against taped")}</Box>
      <Box component="table" sx={table}>
        <tbody>
          {data.map((eye) => (
            <tr key={eye.measure}>
              <td>{t(EYE_NAMES[eye.measure])}</td>
              <td>
                <strong>{offText(eye.measure, eye.bias, units)}</strong>
              </td>
              <td>
                {eye.high !== null &&
                  t("learning.give or take", {
                    reach: amount(eye.measure, eye.high - eye.bias, units),
                  })}
              </td>
              <td>{t("learning.over attempts", { count: eye.count })}</td>
              <td>
                {eye.high === null
                  ? t("learning.too few")
                  : t(eye.biased ? "learning.a bias" : "learning.may be chance")}
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Paper>
  );
};

const table = {
  mt: 0.5,
  borderCollapse: "collapse",
  fontSize: 14,
  "& td": { py: 0.5, pr: 2.5, borderTop: `1px solid ${ink.line}` },
} as const;
