/** Keeping the sheet for this learner, printing it, taking it along as a file. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useLocation, useNavigate } from "react-router";
import { ask } from "../../api/client";
import { docketQuery, planBody } from "../../api/queries";
import type { Docket, MethodBody, Plan } from "../../api/types";
import { download } from "../../shell/download";
import { MainAction } from "../../shell/MainAction";
import { idsOf, useMay } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";
import { CardMenu } from "./CardMenu";
import type { useCueOptions } from "./useCueOptions";

interface Props {
  docket: Docket;
  plan: Plan;
  cue: ReturnType<typeof useCueOptions>;
  /** The method while it is being changed: what is shown is nobody's sheet yet. */
  draft: MethodBody | undefined;
}

export const SheetBar = ({ docket, plan, cue, draft }: Props) => {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { search } = useLocation();
  const teaches = useMay().teach;
  const unsaved = draft !== undefined;
  const toDrive = () => navigate({ pathname: "/drive", search });
  const keep = useMutation({
    mutationFn: () =>
      ask.post("/api/sheets", {
        body: { ...planBody(docket, cue.options), learner: docket.learner.id },
      }),
    onSuccess: async () => {
      cue.reset();
      for (const key of ["docket", "sets"]) await client.invalidateQueries({ queryKey: [key] });
      // Drive must open with the new sheet: a docket cached under another address has the old one.
      const ids = idsOf(docket);
      await client.fetchQuery(docketQuery(ids));
      const named = Object.entries(ids).map(([stub, id]) => [stub, String(id)]);
      navigate({ pathname: "/drive", search: new URLSearchParams(named).toString() });
    },
  });
  const file = () =>
    download(`cue-sheet-${docket.learner.name}.json`, {
      vehicle: docket.vehicle.body,
      seat: docket.seat.body,
      ground: docket.ground.body,
      method: docket.method.body,
      standard: docket.standard.body,
      options: cue.options,
      plan,
    });
  return (
    <Box sx={{ display: "grid", gap: 1, flexShrink: 0, "@media print": { display: "none" } }}>
      {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
      {teaches && (
        <MainAction>
          <Button
            variant="contained"
            size="large"
            disabled={!plan.feasible || unsaved}
            loading={keep.isPending}
            onClick={() => (cue.isInUse ? toDrive() : keep.mutate())}
          >
            {unsaved
              ? t("cues.save the method first")
              : cue.isInUse
                ? t("cues.drive this sheet")
                : t(docket.since.length > 0 ? "cues.bring it up to date" : "cues.use this sheet")}
          </Button>
        </MainAction>
      )}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <CardMenu docket={docket} options={cue.options} draft={draft} />
        <Button size="small" onClick={() => window.print()}>
          {t("cues.print")}
        </Button>
        <Button size="small" onClick={file}>
          {t("cues.export")}
        </Button>
        {cue.isChanged && (
          <Button size="small" onClick={cue.discard}>
            {t("cues.undo changes")}
          </Button>
        )}
        {cue.restore && (
          <Button size="small" onClick={cue.restore}>
            {t("cues.bring changes back")}
          </Button>
        )}
      </Box>
      <Typography sx={{ fontSize: 12, color: ink.soft }}>
        {t("cues.computed from what was measured")}
      </Typography>
    </Box>
  );
};
