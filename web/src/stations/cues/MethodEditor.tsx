/** Changing a method: its steps one by one, while the slab and the ribbon follow. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { ask } from "../../api/client";
import type { MethodBody, Revision } from "../../api/types";
import { ReviseBar } from "../../shell/ReviseBar";
import { useChangeDocket } from "../../shell/useDocket";
import type { useRevise } from "../../shell/useRevise";
import { ink } from "../../theme";
import { t } from "../../words";
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
          {trouble.step === null ? "" : `${t("cues.step", { number: trouble.step + 1 })} `}
          {trouble.text}
        </Alert>
      )}
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
      <SaveCopy body={body} />
      <ReviseBar revision={revision} draft={draft} what="method" />
    </Paper>
  );
};

/** The steps as they stand, under a name of their own. */
const SaveCopy = ({ body }: { body: MethodBody }) => {
  const client = useQueryClient();
  const change = useChangeDocket();
  const [name, setName] = useState("");
  const copy = useMutation({
    mutationFn: () =>
      ask.post("/api/documents", {
        body: { kind: "method", body: { ...body, name: name.trim() } },
      }),
    onSuccess: async (made) => {
      setName("");
      await client.invalidateQueries({ queryKey: ["documents"] });
      change({ method: made.document_id });
    },
  });
  return (
    <Box sx={{ display: "grid", gap: 1, my: 1 }}>
      <Box sx={{ display: "flex", gap: 1 }}>
        <TextField
          size="small"
          label={t("cues.name of a copy")}
          value={name}
          onChange={(e) => setName(e.target.value)}
          sx={{ flex: 1 }}
        />
        <Button disabled={!name.trim()} loading={copy.isPending} onClick={() => copy.mutate()}>
          {t("cues.keep a copy")}
        </Button>
      </Box>
      {copy.error && <Alert severity="error">{copy.error.message}</Alert>}
    </Box>
  );
};
