/** Changing a method: its steps one by one, while the slab and the ribbon follow. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import type { MethodBody, Revision } from "../../api/types";
import { ReviseBar } from "../../shell/ReviseBar";
import { SaveCopy } from "../../shell/SaveCopy";
import { useChangeDocket } from "../../shell/useDocket";
import type { useRevise } from "../../shell/useRevise";
import { ink } from "../../theme";
import { t } from "../../words";
import { MethodHead } from "./MethodHead";
import { addStep, moveStep, removeStep } from "./methodSteps";
import { StepEditor } from "./StepEditor";

interface Props {
  revision: Revision;
  draft: ReturnType<typeof useRevise<MethodBody>>;
  /** Why the method as it stands cannot be driven, if so; which step, if one is to blame. */
  trouble: { text: string; step: number | null } | null;
  close: () => void;
}

export const MethodEditor = ({ revision, draft, trouble, close }: Props) => {
  const [open, setOpen] = useState(0);
  const body = draft.body;
  const change = useChangeDocket();
  const panel = useRef<HTMLElement>(null);
  // It is opened from the foot of a long column, and stands at its head. Nothing is returned:
  // newer browsers answer with a promise, which React would call as the effect's end.
  useEffect(() => {
    panel.current?.scrollIntoView({ block: "start" });
  }, []);
  return (
    <Paper
      ref={panel}
      component="section"
      aria-label={t("cues.change this method")}
      sx={{ p: 1.5, flexShrink: 0 }}
    >
      <Box sx={{ display: "flex", alignItems: "center" }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {t("cues.change this method")}
        </Typography>
        <Button size="small" onClick={close}>
          {t("cues.close")}
        </Button>
      </Box>
      {trouble && (
        <Alert severity="error" sx={{ my: 1 }}>
          {trouble.text}
        </Alert>
      )}
      <MethodHead body={body} edit={draft.edit} />
      <Box component="ol" aria-label={t("cues.steps")} sx={{ m: 0, p: 0, listStyle: "none" }}>
        {body.steps.map((step, i) => (
          <Box
            component="li"
            key={step.name}
            sx={{
              borderTop: `1px solid ${ink.line}`,
              background: trouble?.step === i ? "#FBE3DA" : "none",
            }}
          >
            <Button
              fullWidth
              aria-expanded={open === i}
              onClick={() => setOpen(open === i ? -1 : i)}
              sx={{
                justifyContent: "flex-start",
                textAlign: "left",
                minHeight: 44,
                color: ink.ink,
              }}
            >
              {i + 1}. {step.say}
            </Button>
            {open === i && (
              <Box sx={{ pb: 1.5, display: "grid", gap: 1.25 }}>
                <StepEditor body={body} index={i} edit={draft.edit} />
                <Box sx={{ display: "flex", flexWrap: "wrap" }}>
                  <Button
                    size="small"
                    disabled={i === 0}
                    onClick={() => {
                      draft.edit(moveStep(body, i, -1));
                      setOpen(i - 1);
                    }}
                  >
                    {t("cues.earlier")}
                  </Button>
                  <Button
                    size="small"
                    disabled={i === body.steps.length - 1}
                    onClick={() => {
                      draft.edit(moveStep(body, i, 1));
                      setOpen(i + 1);
                    }}
                  >
                    {t("cues.later")}
                  </Button>
                  <Button
                    size="small"
                    onClick={() => {
                      draft.edit(addStep(body, i));
                      setOpen(i + 1);
                    }}
                  >
                    {t("cues.add a step after")}
                  </Button>
                  <Button
                    size="small"
                    color="error"
                    disabled={body.steps.length === 1}
                    onClick={() => draft.edit(removeStep(body, i))}
                  >
                    {t("cues.remove")}
                  </Button>
                </Box>
              </Box>
            )}
          </Box>
        ))}
      </Box>
      <SaveCopy kind="method" body={body} kept={(made) => change({ method: made.document_id })} />
      <ReviseBar revision={revision} draft={draft} what="method" />
    </Paper>
  );
};
