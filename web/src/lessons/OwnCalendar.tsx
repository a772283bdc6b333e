/** One's own lessons for the calendar that one uses: a file, or an address that it asks. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../api/client";
import { calendarQuery } from "../api/queries";
import { CopyField } from "../shell/CopyField";
import { Failure, Waiting } from "../shell/states";
import { useDates } from "../shell/useDates";
import { ink } from "../theme";
import { t } from "../words";

export const OwnCalendar = () => {
  const client = useQueryClient();
  const dates = useDates();
  const known = useQuery(calendarQuery);
  const renew = () => client.invalidateQueries({ queryKey: calendarQuery.queryKey });
  const make = useMutation({ mutationFn: () => ask.post("/api/calendar", {}), onSuccess: renew });
  const withdraw = useMutation({
    mutationFn: () => ask.delete("/api/calendar", {}),
    onSuccess: () => {
      make.reset();
      return renew();
    },
  });
  if (known.error) return <Failure error={known.error} retry={() => void known.refetch()} />;
  if (!known.data) return <Waiting />;
  const { made } = known.data;
  const failed = make.error ?? withdraw.error;
  return (
    <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
      <Typography>
        {made ? t("desk.calendar asks", { made: dates.stamp(made) }) : t("desk.calendar could ask")}
      </Typography>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        <Button variant="outlined" href="/api/calendar.ics" download>
          {t("desk.calendar file")}
        </Button>
        <Button variant="outlined" loading={make.isPending} onClick={() => make.mutate()}>
          {made ? t("desk.another address") : t("desk.make an address")}
        </Button>
        {made && (
          <Button color="error" loading={withdraw.isPending} onClick={() => withdraw.mutate()}>
            {t("desk.withdraw the address")}
          </Button>
        )}
      </Box>
      {failed && <Alert severity="error">{failed.message}</Alert>}
      {make.data && (
        <>
          <CopyField
            label={t("desk.address for your calendar")}
            value={`${window.location.origin}${make.data.address}`}
          />
          <Box sx={{ fontSize: 14, color: ink.soft }}>{t("desk.address told once")}</Box>
        </>
      )}
    </Paper>
  );
};
