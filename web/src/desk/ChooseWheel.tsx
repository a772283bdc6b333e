/** Whether the school states steering amounts in turns or on a clock face. */

import Alert from "@mui/material/Alert";
import Paper from "@mui/material/Paper";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { ask } from "../api/client";
import type { School } from "../api/types";
import { useSchool } from "../shell/useDocket";
import { t } from "../words";
import { useUpdateSchool } from "./useUpdateSchool";

export const ChooseWheel = () => {
  const { wheel } = useSchool();
  const put = useMutation({
    mutationFn: (chosen: School["wheel"]) =>
      ask.put("/api/school/wheel", { body: { wheel: chosen } }),
    onSuccess: useUpdateSchool(),
  });
  return (
    <Paper component="section" sx={{ p: 2, display: "grid", gap: 1.5 }}>
      <Typography variant="h2">{t("desk.amount of wheel")}</Typography>
      <Typography>{t("desk.what amount of wheel")}</Typography>
      <ToggleButtonGroup
        exclusive
        value={wheel}
        aria-label={t("desk.amount of wheel")}
        onChange={(_, chosen: School["wheel"] | null) => chosen && put.mutate(chosen)}
      >
        <ToggleButton value="turns" sx={{ minHeight: 44 }}>
          {t("desk.in turns of the wheel")}
        </ToggleButton>
        <ToggleButton value="clock" sx={{ minHeight: 44 }}>
          {t("desk.on a clock face")}
        </ToggleButton>
      </ToggleButtonGroup>
      {put.error && <Alert severity="error">{put.error.message}</Alert>}
    </Paper>
  );
};
