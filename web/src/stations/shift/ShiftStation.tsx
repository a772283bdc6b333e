/** Station 6: the learner's finishes, their bias and scatter, and what to change. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { Link, useLocation } from "react-router";
import { inTheWay } from "../../api/client";
import { setsQuery, sheetQuery } from "../../api/queries";
import { attemptsWith } from "../../device/pending";
import { useUnsent } from "../../device/useUnsent";
import { finishWords } from "../../places";
import { Columns } from "../../shell/Columns";
import { Failure, Nothing, Waiting } from "../../shell/states";
import { useDocket } from "../../shell/useDocket";
import { t } from "../../words";
import { AdviceCard } from "./AdviceCard";
import { BeforeAfter } from "./BeforeAfter";
import { FinishSlab } from "./FinishSlab";
import { MeasureTable } from "./MeasureTable";

const ShiftStation = () => {
  const docket = useDocket();
  const { search } = useLocation();
  const sheet = useQuery(sheetQuery(docket.sheet_id));
  const sets = useQuery(setsQuery(docket.sheet_id));
  const waiting = attemptsWith([], useUnsent(), docket.sheet_id ?? 0).length;
  const error = inTheWay(sheet) ?? inTheWay(sets);
  if (error) return <Failure error={error} retry={() => void sets.refetch()} />;
  const list = sets.data ?? [];
  const current = list.find((s) => s.sheet_id === docket.sheet_id);
  const nothing = docket.sheet_id === null || (sets.data && !list.some((s) => s.marks.length));
  if (nothing)
    return (
      <Nothing title={t("shift.no finishes yet")}>
        <p>{t("shift.after a few taped attempts")}</p>
        <Button component={Link} to={{ pathname: "/drive", search }} variant="contained">
          {t("shift.go to drive")}
        </Button>
      </Nothing>
    );
  if (!sheet.data || !current) return <Waiting what={t("shift.sorting the finishes")} />;
  const words = finishWords(sheet.data.ground.body.goal, sheet.data.method.body);
  return (
    <Columns side={360} least={620} upright={0}>
      <Box
        sx={{
          display: "grid",
          gridTemplateRows: { xs: "300px auto", md: "minmax(260px, 1fr) auto" },
          gap: 1.5,
          minHeight: 0,
        }}
      >
        <FinishSlab sheet={sheet.data} finishes={current} />
        <MeasureTable words={words} finishes={current} />
      </Box>
      {/* On a phone what to change comes first: it is what one opens Shift for. */}
      <Box
        sx={{
          display: "flex",
          flexDirection: "column",
          gap: 1.5,
          overflowY: "auto",
          order: { xs: -1, md: 0 },
        }}
      >
        {waiting > 0 && (
          <Alert severity="info" role="note">
            {t("shift.not sent yet", { count: waiting })}
          </Alert>
        )}
        <AdviceCard sheet={sheet.data} finishes={current} />
        <BeforeAfter sets={list} current={current.sheet_id} />
      </Box>
    </Columns>
  );
};

export default ShiftStation;
