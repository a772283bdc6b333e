/** The school's standards: its own figures, dated, whole. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { documentsOfQuery } from "../api/queries";
import type { Entry } from "../api/types";
import { PLACES } from "../places";
import { download } from "../shell/download";
import { Failure, Waiting } from "../shell/states";
import { useDates } from "../shell/useDates";
import { useUnits } from "../shell/useDocket";
import { useGoalOf } from "../shell/useVocabulary";
import { limitText, measureName } from "../stations/tape/VerdictCard";
import { ink } from "../theme";
import { t } from "../words";
import { Desk } from "./Desk";

const Standards = () => {
  const standards = useQuery(documentsOfQuery("standard"));
  if (standards.error)
    return <Failure error={standards.error} retry={() => void standards.refetch()} />;
  if (!standards.data) return <Waiting />;
  return (
    <Desk title={t("desk.standards")}>
      <Typography color="text.secondary">{t("desk.standards differ by country")}</Typography>
      {standards.data.map((standard) => (
        <Standard key={standard.id} standard={standard} />
      ))}
    </Desk>
  );
};

const Standard = ({ standard }: { standard: Entry<"standard"> }) => {
  const units = useUnits();
  const goalOf = useGoalOf();
  const dates = useDates();
  const body = standard.latest.body;
  const words = PLACES[goalOf(body)].words(null, body.manoeuvre);
  return (
    <Paper sx={{ p: 2 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
        <Typography variant="h2">{body.name}</Typography>
        <Box sx={{ flex: 1, color: ink.soft }}>
          {t("desk.of a standard", {
            authority: body.authority,
            dated: dates.day(body.dated),
            revision: standard.latest.number,
            small: body.small_allowed,
          })}
        </Box>
        <Button onClick={() => download(`${body.name}.standard.json`, body)}>
          {t("desk.export")}
        </Button>
      </Box>
      <Box
        component="table"
        sx={{
          width: "100%",
          borderCollapse: "collapse",
          fontSize: 14,
          "& td, & th": { textAlign: "left", py: 0.75, borderTop: `1px solid ${ink.line}` },
        }}
      >
        <thead>
          <tr>
            <th>{t("desk.measure")}</th>
            <th>{t("desk.good")}</th>
            <th>{t("desk.serious outside")}</th>
            <th>{t("desk.ends the test outside")}</th>
          </tr>
        </thead>
        <tbody>
          {body.limits.map((limit) => (
            <tr key={limit.measure}>
              <td>{measureName(limit.measure, words)}</td>
              <td>{limitText(limit.measure, limit.small, units) || "–"}</td>
              <td>{limitText(limit.measure, limit.serious, units) || "–"}</td>
              <td>{limitText(limit.measure, limit.ends, units) || "–"}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Paper>
  );
};

export default Standards;
