/** Station 5: where it ended, by tape, and what that comes to. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { ApiError, ask } from "../../api/client";
import { attemptsQuery, sheetQuery } from "../../api/queries";
import type { Attempt, Readings, Sheet, Tape } from "../../api/types";
import { measureName } from "../../judging/measures";
import { type FinishWords, finishWords } from "../../places";
import { Columns } from "../../shell/Columns";
import { MainAction } from "../../shell/MainAction";
import { Failure, Nothing, Waiting } from "../../shell/states";
import { useDocket, useMay } from "../../shell/useDocket";
import { useStored } from "../../shell/useStored";
import { t } from "../../words";
import { AttemptPicker } from "./AttemptPicker";
import { MendCard, useMend } from "./MendCard";
import { NotesPanel } from "./NotesPanel";
import { OnTheWay } from "./OnTheWay";
import { SaysFirst } from "./SaysFirst";
import { TapeSlab } from "./TapeSlab";
import { complete, NOTHING, type TypedReadings } from "./typed";
import { VerdictCard } from "./VerdictCard";

const TapeStation = () => {
  const docket = useDocket();
  const { search } = useLocation();
  const asked = new URLSearchParams(search).get("attempt");
  const sheet = useQuery(sheetQuery(docket.sheet_id));
  const attempts = useQuery(attemptsQuery(docket.sheet_id));
  const [chosen, setChosen] = useState<string | null>(null);
  const meant = chosen ?? asked;
  const error = sheet.error ?? attempts.error;
  if (error) return <Failure error={error} retry={() => void attempts.refetch()} />;
  const list = attempts.data ?? [];
  const attempt = list.find((a) => a.id === meant) ?? list.findLast((a) => !a.tape) ?? list.at(-1);
  if (docket.sheet_id === null || (attempts.data && !attempt))
    return (
      <Nothing title={t("tape.nothing to tape yet")}>
        <p>{t("tape.drive an attempt first then")}</p>
        <Button component={Link} to={{ pathname: "/drive", search }} variant="contained">
          {t("tape.go to drive")}
        </Button>
      </Nothing>
    );
  if (!sheet.data || !attempt) return <Waiting what={t("tape.fetching the attempts")} />;
  return (
    <Taping
      key={attempt.id}
      sheet={sheet.data}
      attempt={attempt}
      attempts={list}
      onChoose={setChosen}
    />
  );
};

/** The server names the reading by its field; the person knows it by its label. */
const inWords = (error: Error, words: FinishWords): string =>
  error instanceof ApiError && error.field
    ? `${measureName(error.field, words)}: ${error.problem}`
    : error.message;

/** What is said scrolls by itself: the buttons beneath stay under the finger when a verdict comes. */
const sayings = {
  display: "flex",
  flexDirection: "column",
  gap: 1.25,
  flex: 1,
  minHeight: 0,
  overflowY: "auto",
};

interface Props {
  sheet: Sheet;
  attempt: Attempt;
  attempts: Attempt[];
  onChoose: (id: string) => void;
}

const Taping = ({ sheet, attempt, attempts, onChoose }: Props) => {
  const client = useQueryClient();
  const { search } = useLocation();
  const readOnly = !useMay().teach;
  const kept: TypedReadings = attempt.readings ? { ...NOTHING, ...attempt.readings } : NOTHING;
  const [draft, setDraft, forget] = useStored<TypedReadings | null>(`tape/${attempt.id}`, null);
  const typed = draft ?? kept;
  const words = finishWords(sheet.ground.body.goal, sheet.method.body);
  const readings = complete(typed);
  const path = { attempt_id: attempt.id };
  const preview = useQuery({
    queryKey: ["tape", attempt.id, readings],
    queryFn: async ({ signal }) =>
      (await ask.post("/api/attempts/{attempt_id}/preview", {
        params: { path },
        body: readings as Readings,
        signal,
      })) as Tape,
    enabled: readings !== null && draft !== null && !readOnly,
    retry: false,
  });
  const refresh = async () => {
    for (const key of ["attempts", "docket", "sets"])
      await client.invalidateQueries({ queryKey: [key] });
  };
  const save = useMutation({
    mutationFn: () =>
      ask.put("/api/attempts/{attempt_id}/readings", {
        params: { path },
        body: readings as Readings,
      }),
    onSuccess: async () => {
      // It stays in view, even where another one has not been taped yet.
      onChoose(attempt.id);
      await refresh();
      forget();
    },
  });
  const spoilt = useMutation({
    mutationFn: () =>
      ask.put("/api/attempts/{attempt_id}/void", {
        params: { path },
        body: { void: !attempt.void },
      }),
    onSuccess: refresh,
  });
  const tape = draft ? preview.data : attempt.tape;
  const [mending, setMending] = useState(false);
  const mend = useMend(attempt, readings, mending && tape !== null && tape !== undefined);
  const error = save.error ?? spoilt.error ?? (draft ? preview.error : null);
  return (
    <Columns side={360} least={600}>
      <TapeSlab
        sheet={sheet}
        readings={typed}
        tape={tape ?? null}
        mend={(mending && mend.data) || null}
        readOnly={readOnly}
        onRead={(name, metres) => setDraft({ ...typed, [name]: metres })}
      />
      <Box sx={{ display: "flex", flexDirection: "column", gap: 1.25, minHeight: 0 }}>
        <Box sx={sayings}>
          <AttemptPicker attempts={attempts} attempt={attempt} onChoose={onChoose} />
          {error && <Alert severity="error">{inWords(error, words)}</Alert>}
          {draft === null && (
            <SaysFirst
              key={`said/${attempt.id}`}
              sheet={sheet}
              attempt={attempt}
              words={words}
              readOnly={readOnly}
            />
          )}
          {attempt.notes.help === "mock test" && (
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
              {t("tape.type both readings", { edge: words.edge })}
            </Alert>
          )}
          {!readOnly && <OnTheWay key={attempt.id} sheet={sheet} attempt={attempt} />}
          <NotesPanel sheet={sheet} attempt={attempt} words={words} readOnly={readOnly} />
        </Box>
        {!readOnly && (
          <MainAction>
            <Box sx={{ display: "flex", gap: 1 }}>
              <Button
                variant="contained"
                size="large"
                sx={{ minHeight: 52, flex: 1 }}
                disabled={!readings || !draft || preview.isError}
                loading={save.isPending}
                onClick={() => save.mutate()}
              >
                {draft || !attempt.tape ? t("tape.keep the readings") : t("tape.kept")}
              </Button>
              <Button
                sx={{ minHeight: 52 }}
                loading={spoilt.isPending}
                title={t("terms.spoilt")}
                onClick={() => spoilt.mutate()}
              >
                {attempt.void ? t("tape.count it again") : t("tape.spoilt by others")}
              </Button>
            </Box>
          </MainAction>
        )}
      </Box>
    </Columns>
  );
};

export default TapeStation;
