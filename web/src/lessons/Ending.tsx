/** The end of a lesson: what comes when it is asked for, what was learnt, what comes next. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import type { LessonOpened } from "../api/types";
import { Panel } from "../shell/Panel";
import { useStored } from "../shell/useStored";
import { t } from "../words";
import { AskedFor } from "./AskedFor";
import { useChangeLesson } from "./useLesson";

const TEXTS = ["notes", "learnt", "comes_next"] as const;
type Said = Pick<LessonOpened, (typeof TEXTS)[number] | "recap">;

/** What is being written: as it was when that began, and as it is to be. */
interface Draft {
  was: Said;
  said: Said;
}

const saidOf = ({ notes, learnt, comes_next, recap }: Said): Said => ({
  notes,
  learnt,
  comes_next,
  recap,
});

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

export const Ending = ({ lesson }: { lesson: LessonOpened }) => {
  const change = useChangeLesson(lesson);
  const kept = saidOf(lesson);
  const [draft, setDraft, forget] = useStored<Draft | null>(`lesson/${lesson.id}`, null);
  const { was, said } = draft ?? { was: kept, said: kept };
  const write = (part: Partial<Said>) => setDraft({ was, said: { ...said, ...part } });
  // Only what was touched is sent: what a colleague wrote elsewhere stays as it is.
  const touched = [...TEXTS, "recap" as const].filter((name) => !same(said[name], was[name]));
  const save = () =>
    change.mutate(Object.fromEntries(touched.map((name) => [name, said[name]])), {
      onSuccess: forget,
    });
  const meanwhile = (name: (typeof TEXTS)[number]) =>
    touched.includes(name) && kept[name] !== was[name] && kept[name] !== said[name]
      ? t("lesson.there meanwhile", { text: kept[name] || t("lesson.nothing") })
      : null;
  const text = (name: (typeof TEXTS)[number], label: string, hint?: string) => (
    <TextField
      label={label}
      multiline
      minRows={2}
      value={touched.includes(name) ? said[name] : kept[name]}
      onChange={(e) => write({ [name]: e.target.value })}
      helperText={meanwhile(name) ?? hint}
      error={meanwhile(name) !== null}
      slotProps={{ htmlInput: { maxLength: 4000 } }}
    />
  );
  return (
    <Panel label={t("lesson.the end")}>
      <Box sx={{ display: "grid", gap: 2, mt: 1 }}>
        {text("notes", t("desk.lesson notes"), t("desk.the learner reads it"))}
        <AskedFor
          exercises={lesson.exercises}
          recap={touched.includes("recap") ? said.recap : kept.recap}
          write={(recap) => write({ recap })}
        />
        {text("learnt", t("lesson.learnt"))}
        {text("comes_next", t("lesson.comes next"))}
        {change.error && <Alert severity="error">{change.error.message}</Alert>}
        <Box sx={{ display: "flex", gap: 1.5 }}>
          <Button
            variant="contained"
            disabled={touched.length === 0}
            loading={change.isPending}
            onClick={save}
          >
            {t("desk.save")}
          </Button>
          {touched.length > 0 && (
            <Button onClick={forget} disabled={change.isPending}>
              {t("lesson.leave it as it was")}
            </Button>
          )}
        </Box>
      </Box>
    </Panel>
  );
};
