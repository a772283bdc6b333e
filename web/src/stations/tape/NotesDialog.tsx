/** Notes put right: the cards and counts of Drive again, kept beside what was noted first. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useId } from "react";
import type { Attempt, Sheet } from "../../api/types";
import { HelpChoice } from "../../learning/HelpChoice";
import { type FinishWords, PLACES } from "../../places";
import { NumberField } from "../../shell/NumberField";
import { useStored } from "../../shell/useStored";
import { t } from "../../words";
import { AtEnd } from "../drive/AtEnd";
import { Counts } from "../drive/Counts";
import { type Jotted, jotted, notesOf } from "../drive/jotted";
import { SoFar } from "../drive/SoFar";
import { Afterwards, StepCard } from "../drive/StepCard";
import { useCorrection } from "./useCorrection";
import { useWayMeasures, WayFields } from "./WayFields";

interface Props {
  sheet: Sheet;
  attempt: Attempt;
  words: FinishWords;
  close: () => void;
}

export const NotesDialog = ({ sheet, attempt, words, close }: Props) => {
  const title = useId();
  const { plan } = sheet;
  const held = {
    ...jotted(attempt.notes, plan.calls.length, plan.looks.length),
    seconds: attempt.notes.seconds,
  };
  const [stored, setStored, forget] = useStored<(Jotted & { seconds: number }) | null>(
    `notes/${attempt.id}`,
    null,
  );
  // What was begun before more could be noted goes on with what was noted of that.
  const draft = stored ? { ...held, ...stored } : held;
  const change = (part: Partial<typeof draft>) => setStored({ ...draft, ...part });
  const keep = useCorrection(attempt, () => {
    forget();
    close();
  });
  const measures = useWayMeasures(sheet, draft.onTheWay);
  return (
    <Dialog open fullWidth maxWidth="md" onClose={close} aria-labelledby={title}>
      <DialogTitle id={title}>{t("tape.put the notes right")}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1, alignContent: "start" }}>
        <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none", display: "grid", gap: 1 }}>
          {sheet.method.body.steps.map((step, i) => (
            <StepCard
              key={step.name}
              index={i}
              say={step.say}
              sheet={sheet}
              noting={{ draft, change }}
            />
          ))}
          <Afterwards sheet={sheet} noting={{ draft, change }} />
        </Box>
        <Counts
          noting={{ draft, change }}
          words={words}
          kerbed={PLACES[sheet.ground.body.goal.kind].kerbed}
        />
        <SoFar sheet={sheet} noting={{ draft, change }} words={words} />
        <HelpChoice
          help={draft.help}
          none={t("tape.not noted")}
          set={(help) => change({ help })}
          width={220}
        />
        <AtEnd
          what={sheet.standard.body.at_end.map(({ what }) => what)}
          atEnd={draft.atEnd}
          change={(atEnd) => change({ atEnd })}
        />
        <WayFields
          measures={measures}
          way={draft.onTheWay}
          change={(onTheWay) => change({ onTheWay })}
        />
        <NumberField
          label={t("tape.time in seconds")}
          value={Math.round(draft.seconds)}
          onCommit={(value) => change({ seconds: value })}
          width={160}
        />
        {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button sx={{ minHeight: 44 }} disabled={!stored} onClick={forget}>
          {t("tape.as they were")}
        </Button>
        <Button sx={{ minHeight: 44 }} onClick={close}>
          {t("tape.close")}
        </Button>
        <Button
          variant="contained"
          sx={{ minHeight: 44 }}
          disabled={!stored}
          loading={keep.isPending}
          onClick={() => keep.mutate(notesOf(draft, draft.seconds))}
        >
          {t("tape.keep the notes")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};
