/** Station 5: where it ended, by tape, and what that comes to. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { inTheWay } from "../../api/client";
import { sheetQuery } from "../../api/queries";
import type { Attempt, Sheet } from "../../api/types";
import type { Shown } from "../../device/pending";
import { useAttempts } from "../../device/useAttempts";
import { finishWords } from "../../places";
import { Columns } from "../../shell/Columns";
import { Failure, Nothing, Waiting } from "../../shell/states";
import { useDocket, useMay, useMe } from "../../shell/useDocket";
import { t } from "../../words";
import { AfterKept } from "./AfterKept";
import { AttemptPicker } from "./AttemptPicker";
import { Doubts } from "./Doubts";
import { Entries } from "./Entries";
import { inWords } from "./inWords";
import { MendCard, useMend } from "./MendCard";
import { NotesPanel } from "./NotesPanel";
import { OnTheWay } from "./OnTheWay";
import { SaysFirst } from "./SaysFirst";
import { SecondTape } from "./SecondTape";
import { TapeSide } from "./TapeSide";
import { TapeSlab } from "./TapeSlab";
import { withGlance, withMetres } from "./typed";
import { useNotingOf } from "./useNotingOf";
import { useSecondTape, useTaping } from "./useTaping";
import { VerdictCard } from "./VerdictCard";

const TapeStation = () => {
  const docket = useDocket();
  const { search } = useLocation();
  const asked = new URLSearchParams(search).get("attempt");
  const sheet = useQuery(sheetQuery(docket.sheet_id));
  const attempts = useAttempts(docket.sheet_id);
  const [chosen, setChosen] = useState<string | null>(null);
  const meant = chosen ?? asked;
  const error = inTheWay(sheet) ?? inTheWay(attempts);
  if (error) return <Failure error={error} retry={() => void attempts.refetch()} />;
  const list = attempts.data ?? [];
  const asIs = list.find((a) => a.id === meant);
  // Whoever has come for one is shown no other as long as it may still come.
  const toCome = meant !== null && !asIs && attempts.isFetching;
  const attempt = asIs ?? list.findLast((a) => !a.readings) ?? list.at(-1);
  if (docket.sheet_id === null || (attempts.data && !attempt && !toCome))
    return (
      <Nothing title={t("tape.nothing to tape yet")}>
        <p>{t("tape.drive an attempt first then")}</p>
        <Button component={Link} to={{ pathname: "/drive", search }} variant="contained">
          {t("tape.go to drive")}
        </Button>
      </Nothing>
    );
  if (!sheet.data || !attempt || toCome) return <Waiting what={t("tape.fetching the attempts")} />;
  return (
    <Taping
      key={attempt.id}
      sheet={sheet.data}
      attempt={attempt}
      attempts={list}
      isAnother={meant !== null && !asIs}
      onChoose={setChosen}
    />
  );
};

interface Props {
  sheet: Sheet;
  attempt: Shown;
  attempts: Shown[];
  /** The one that was asked for is not among them. */
  isAnother: boolean;
  onChoose: (id: string) => void;
}

const Taping = ({ sheet, attempt, attempts, isAnother, onChoose }: Props) => {
  const { search } = useLocation();
  const me = useMe();
  const readOnly = !useMay().teach;
  const taping = useTaping(attempt, readOnly, () => onChoose(attempt.id));
  const second = useSecondTape(attempt);
  const { typed, draft, setDraft, readings } = taping;
  const words = finishWords(sheet.ground.body.goal, sheet.method.body);
  const [byEye, setByEye] = useState(Object.keys(typed.by_eye ?? {}).length > 0);
  const tape = taping.tape ?? null;
  const [mending, setMending] = useState(false);
  const mend = useMend(attempt, readings, mending && tape !== null);
  const spoilt = useSpoilt(attempt);
  const error = taping.save.error ?? spoilt.error ?? taping.error;
  const first = attempt.tapings.at(-1);
  const isKept = draft === null && attempt.readings !== null;
  if (second.typed !== null)
    return <SecondTape sheet={sheet} attempt={attempt} second={second} words={words} />;
  return (
    <Columns side={360} least={600}>
      <TapeSlab
        sheet={sheet}
        readings={typed}
        tape={tape}
        mend={(mending && mend.data) || null}
        readOnly={readOnly}
        byEye={byEye}
        onRead={(name, metres) => setDraft(withMetres(typed, name, metres))}
        onLook={(name, glance) => setDraft(withGlance(typed, name, glance))}
      />
      <TapeSide
        asked={!readOnly && taping.correcting && <Why taping={taping} />}
        actions={
          !readOnly && (
            <>
              {isKept ? (
                <AfterKept attempt={attempt} />
              ) : (
                <Button
                  variant="contained"
                  size="large"
                  sx={{ minHeight: 52, flex: 1 }}
                  disabled={!taping.canBeKept}
                  loading={taping.save.isPending}
                  onClick={() => taping.save.mutate()}
                >
                  {t(taping.correcting ? "tape.keep the correction" : "tape.keep the readings")}
                </Button>
              )}
              <Button
                sx={{ minHeight: 52 }}
                loading={spoilt.isPending}
                title={t("terms.spoilt")}
                onClick={() => spoilt.mutate()}
              >
                {attempt.void ? t("tape.count it again") : t("tape.spoilt by others")}
              </Button>
            </>
          )
        }
      >
        <AttemptPicker attempts={attempts} attempt={attempt} onChoose={onChoose} />
        {error && <Alert severity="error">{inWords(error, words)}</Alert>}
        <Doubts doubts={taping.doubts} words={words} />
        {draft === null && (
          <SaysFirst
            key={`said/${attempt.id}`}
            sheet={sheet}
            attempt={attempt}
            words={words}
            readOnly={readOnly}
          />
        )}
        {isAnother && (
          <Alert severity="warning" role="note">
            {t("tape.not among these")}
          </Alert>
        )}
        {attempt.notes.help === "mock test" && !isKept && (
          <Button component={Link} to={{ pathname: "/mock-tests", search }} variant="outlined">
            {t("mock.on with the test")}
          </Button>
        )}
        {tape && !readOnly && tape.verdict.findings.some((f) => f.grade) && (
          <MendCard mend={mend} wanted={mending} ask={setMending} words={words} />
        )}
        {tape ? (
          <VerdictCard
            tape={tape}
            standard={sheet.standard}
            words={words}
            checked={typed.ahead_m !== null && typed.behind_m !== null}
          />
        ) : (
          <Alert severity="info" role="note">
            {isKept
              ? t("tape.verdict waits")
              : t(byEye ? "tape.look at both" : "tape.type both readings", { edge: words.edge })}
          </Alert>
        )}
        {!readOnly && (
          <FormControlLabel
            control={<Switch checked={byEye} onChange={(_, on) => setByEye(on)} />}
            label={t("tape.by eye without a tape")}
            sx={{ mx: 0, minHeight: 44 }}
          />
        )}
        {attempt.tapings.length > 0 && <Entries attempt={attempt} words={words} />}
        {attempt.waits.includes("second tape") && (
          <Alert severity="info" role="note">
            {t("tape.second waits")}
          </Alert>
        )}
        {!readOnly && draft === null && first && first.by !== me && tape?.by_eye.length === 0 && (
          <Button variant="outlined" sx={{ minHeight: 48, flexShrink: 0 }} onClick={second.begin}>
            {t(
              attempt.beside.some((one) => one.by === me)
                ? "tape.tape yours again"
                : "tape.tape it a second time",
            )}
          </Button>
        )}
        {!readOnly && <OnTheWay key={attempt.id} sheet={sheet} attempt={attempt} />}
        <NotesPanel sheet={sheet} attempt={attempt} words={words} readOnly={readOnly} />
      </TapeSide>
    </Columns>
  );
};

/** Left out of the figures, or taken back in. */
const useSpoilt = (attempt: Attempt) => {
  const noting = useNotingOf(attempt);
  return useMutation({
    mutationFn: () => noting("void", "put", "void", { void: !attempt.void }),
  });
};

/** What was kept stays beside its correction, which says why. */
const Why = ({ taping }: { taping: ReturnType<typeof useTaping> }) => (
  <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start", flexShrink: 0 }}>
    <TextField
      size="small"
      fullWidth
      label={t("tape.why corrected")}
      helperText={t("tape.the first stays")}
      value={taping.why}
      slotProps={{ htmlInput: { maxLength: 300 } }}
      onChange={(e) => taping.setWhy(e.target.value)}
    />
    <Button sx={{ minHeight: 44, flexShrink: 0 }} onClick={taping.discard}>
      {t("tape.as they were")}
    </Button>
  </Box>
);

export default TapeStation;
