/** Station 4: the learner drives; the instructor notes it with one thumb and a glance. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import { useTheme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { inTheWay } from "../../api/client";
import { sheetQuery, sheetSightsQuery } from "../../api/queries";
import type { Sheet, Sights } from "../../api/types";
import { finishWords, PLACES } from "../../places";
import { Failure, Nothing, Waiting } from "../../shell/states";
import { useDates } from "../../shell/useDates";
import { useChangeDocket, useDocket, useMay, useSchool } from "../../shell/useDocket";
import { useAllStored } from "../../shell/useStored";
import { ink } from "../../theme";
import { t } from "../../words";
import { useWheelOf } from "../cues/told";
import { Clock, timeGiven } from "./Clock";
import { Counts } from "./Counts";
import { DriveMenu } from "./DriveMenu";
import { buzz, hush, speak, useStaysLit } from "./device";
import { Ends } from "./Ends";
import { observe, phaseOf, stepOf } from "./jotted";
import { Pad } from "./Pad";
import { ScreenLock } from "./ScreenLock";
import { SoFar } from "./SoFar";
import { StepInHand, StepPicture, stepText } from "./StepInHand";
import { Strip } from "./Strip";
import { type Draft, useAttemptDraft } from "./useAttemptDraft";
import { useDriveKeys } from "./useDriveKeys";
import { useDriveOptions } from "./useDriveOptions";
import { useFollowing } from "./useFollowing";
import { WhenPassed } from "./WhenPassed";

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
  const failed = inTheWay(sheet);
  if (failed) return <Failure error={failed} retry={() => void sheet.refetch()} />;
  if (!sheet.data) return <Waiting what={t("drive.fetching the cue sheet")} />;
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <Elsewhere sheet={sheet.data} />
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <Noting key={sheet.data.id} sheet={sheet.data} />
      </Box>
    </Box>
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
  const docket = useDocket();
  const { search } = useLocation();
  const wide = useMediaQuery(useTheme().breakpoints.up("md"));
  const { options, choose } = useDriveOptions();
  const [locked, setLocked] = useState(false);
  const following = useFollowing();
  const kept = useAttemptDraft(sheet, docket.learner.name, (then) => void navigate(then));
  const noting = options.buzzes ? { ...kept, change: buzzing(kept.change) } : kept;
  const { draft, keep } = noting;
  useDriveKeys(sheet, noting);
  useStaysLit(draft.runningSince !== null);
  const sights = useQuery({ ...sheetSightsQuery(sheet), retry: false }).data;
  useSpokenStep(sheet, draft.card, sights, options.speaks && draft.started !== null);
  const words = finishWords(sheet.ground.body.goal, sheet.method.body);
  const kerbed = PLACES[sheet.ground.body.goal.kind].kerbed;
  const done = () => keep.mutate({ pathname: "/tape", search: withAttempt(search, draft.id) });
  const counts = <Counts noting={noting} words={words} kerbed={kerbed} movements />;
  const soFar = <SoFar sheet={sheet} noting={noting} words={words} />;
  return (
    <Box
      sx={{
        height: "100%",
        minHeight: { xs: 600, md: 560 },
        display: "grid",
        gap: 1,
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 330px" },
        // The step in hand has the lower half; what is above it gives way first.
        gridTemplateRows: {
          xs: "auto auto minmax(0, auto) minmax(50%, 1fr)",
          md: "auto minmax(0, 1fr) 54%",
        },
      }}
    >
      <Box sx={{ gridRow: { md: "1 / 3" }, gridColumn: { md: 2 } }}>
        <Clock sheet={sheet} noting={noting} options={options} done={done}>
          <DriveMenu
            options={options}
            choose={choose}
            timed={timeGiven(sheet) !== null}
            lock={() => setLocked(true)}
            again={noting.again}
          >
            {!wide && counts}
            {!wide && <WhenPassed sheet={sheet} words={words} />}
            {!wide && soFar}
          </DriveMenu>
        </Clock>
        {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
        {wide && (
          <Box sx={{ display: "grid", gap: 1, mt: 1, fontSize: 13, color: ink.soft }}>
            {counts}
            <WhenPassed sheet={sheet} words={words} />
            {t("drive.stop while anyone is near")}
          </Box>
        )}
      </Box>
      <Strip sheet={sheet} noting={noting} />
      {wide && (
        <Box sx={{ display: "flex", gap: 1, minHeight: 0 }}>
          <StepPicture sheet={sheet} card={draft.card} sights={sights} />
          <Paper
            component="section"
            aria-label={t("drive.so far")}
            sx={{ px: 1.5, overflowY: "auto", flex: 1, minWidth: 220 }}
          >
            <Box component="h2" sx={{ fontSize: 16, my: 1 }}>
              {t("drive.so far")}
            </Box>
            {soFar}
          </Paper>
        </Box>
      )}
      <Box sx={{ gridRow: { md: 3 }, gridColumn: { md: 2 }, minHeight: 0, overflowY: "auto" }}>
        <Pad
          sheet={sheet}
          words={words}
          counts={timesOf(draft)}
          observe={(what) =>
            observe(noting, {
              what,
              step: stepOf(draft, draft.card),
              phase: phaseOf(draft, draft.card, draft.started !== null),
            })
          }
        />
      </Box>
      <StepInHand
        sheet={sheet}
        noting={noting}
        begun={draft.started !== null}
        sights={sights}
        showPicture={!wide}
        ends={
          <Ends
            sheet={sheet}
            noting={noting}
            options={options}
            done={done}
            following={following}
            goOn={() => following && keep.mutate(following.where)}
          />
        }
      />
      {locked && <ScreenLock open={() => setLocked(false)} />}
    </Box>
  );
};

/** Whoever goes on to Tape finds this very attempt there, whatever others have noted meanwhile. */
const withAttempt = (search: string, id: string): string => {
  const next = new URLSearchParams(search);
  next.set("attempt", id);
  return next.toString();
};

/** How often each was observed. */
const timesOf = (draft: Draft): Map<string, number> => {
  const times = new Map<string, number>();
  for (const { what } of draft.observed) times.set(what, (times.get(what) ?? 0) + 1);
  return times;
};

const buzzing =
  (change: (part: Partial<Draft>) => void) =>
  (part: Partial<Draft>): void => {
    buzz();
    change(part);
  };

/** Speaks each step when it becomes the current one. */
const useSpokenStep = (sheet: Sheet, card: number, sights: Sights | undefined, aloud: boolean) => {
  const { locale } = useSchool();
  const { say, cue, place } = stepText(sheet, card, sights);
  const wheel = useWheelOf(sheet.plan, card);
  const text = [say, cue, wheel, place].filter(Boolean).join(". ");
  useEffect(() => {
    if (!aloud) return;
    speak(text, locale);
    return hush;
  }, [text, aloud, locale]);
};

export default DriveStation;
