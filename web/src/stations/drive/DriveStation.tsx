/** Station 4: the learner drives; the instructor notes it with one thumb and a glance. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { Link, useLocation, useNavigate } from "react-router";
import { sheetQuery } from "../../api/queries";
import type { Sheet } from "../../api/types";
import { LastStop } from "../../drawing/marks";
import { finishWords, PLACES } from "../../places";
import { Failure, Nothing, Waiting } from "../../shell/states";
import { useDates } from "../../shell/useDates";
import { useChangeDocket, useDocket, useMay } from "../../shell/useDocket";
import { useAllStored } from "../../shell/useStored";
import { t } from "../../words";
import { Counters } from "./Counters";
import { Afterwards, StepCard } from "./StepCard";
import { type Draft, useAttemptDraft } from "./useAttemptDraft";
import { useDriveKeys } from "./useDriveKeys";

const DriveStation = () => {
  const docket = useDocket();
  const { search } = useLocation();
  const teaches = useMay().teach;
  const sheet = useQuery(sheetQuery(docket.sheet_id));
  if (docket.sheet_id === null || !teaches)
    return (
      <Nothing
        title={
          teaches ? t("drive.no cue sheet yet") : t("drive.your instructor notes attempts here")
        }
      >
        <p>
          {teaches
            ? t("drive.attempts are driven", { name: docket.learner.name })
            : t("drive.you find your cues")}
        </p>
        <Button component={Link} to={{ pathname: "/cues", search }} variant="contained">
          {t("drive.go to cues")}
        </Button>
      </Nothing>
    );
  if (sheet.error) return <Failure error={sheet.error} retry={() => void sheet.refetch()} />;
  if (!sheet.data) return <Waiting what={t("drive.fetching the cue sheet")} />;
  return (
    <>
      <Elsewhere sheet={sheet.data} />
      <Noting key={sheet.data.id} sheet={sheet.data} />
    </>
  );
};

/** Attempts of the same learner that were begun on other sheets, and not done yet. */
const Elsewhere = ({ sheet }: { sheet: Sheet }) => {
  const changeDocket = useChangeDocket();
  const dates = useDates();
  const docket = useDocket();
  const begun = useAllStored<Draft | null>("attempt/").flatMap(([id, draft]) =>
    draft?.started && draft.learner === sheet.learner_id && Number(id) !== sheet.id
      ? [{ id: Number(id), started: draft.started }]
      : [],
  );
  return begun.map(({ id, started }) => (
    <Alert
      key={id}
      severity="warning"
      sx={{ mb: 1 }}
      action={
        <Button
          color="inherit"
          sx={{ minHeight: 44 }}
          onClick={() => changeDocket({ learner: docket.learner.id, sheet: id })}
        >
          {t("drive.go on with it")}
        </Button>
      }
    >
      {t("drive.under way elsewhere", { name: docket.learner.name, at: dates.moment(started) })}
    </Alert>
  ));
};

const Noting = ({ sheet }: { sheet: Sheet }) => {
  const navigate = useNavigate();
  const { search } = useLocation();
  const method = sheet.method.body;
  const noting = useAttemptDraft(sheet, () => navigate({ pathname: "/tape", search }));
  useDriveKeys(sheet, noting);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 320px" },
        gap: 1.5,
      }}
    >
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none", display: "grid", gap: 1 }}>
        {method.steps.map((step, i) => (
          <StepCard key={step.name} index={i} say={step.say} sheet={sheet} noting={noting} />
        ))}
        <Box component="li" sx={{ display: "flex", gap: 1.5, px: 1.25, fontSize: 15 }}>
          <svg width={30} height={24} viewBox="-13 -12 26 24" aria-hidden="true">
            <LastStop />
          </svg>
          <span>
            <strong>{t("cues.last stop")}</strong>: {sheet.plan.ends.text}
          </span>
        </Box>
        <Afterwards sheet={sheet} noting={noting} />
      </Box>
      <Counters
        noting={noting}
        words={finishWords(sheet.ground.body.goal, method)}
        kerbed={PLACES[sheet.ground.body.goal.kind].kerbed}
      />
    </Box>
  );
};

export default DriveStation;
