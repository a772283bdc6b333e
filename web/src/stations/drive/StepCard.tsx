/** One step: its looks, and whether its call came early, on or late. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import type { Sheet } from "../../api/types";
import { CallDisc, EarlyWedge, EyeMark, FirstStop, LateWedge, OnDot } from "../../drawing/marks";
import { Term } from "../../shell/Term";
import { ink } from "../../theme";
import { named, t } from "../../words";
import { isUnseen } from "../cues/Unseen";
import { type Jotting, LOOKS, noteLook, noteTiming, type Timing } from "./jotted";

interface Props {
  index: number;
  say: string;
  sheet: Sheet;
  noting: Jotting;
}

export const TIMINGS: { value: Timing; mark: React.ReactNode }[] = [
  { value: "early", mark: <EarlyWedge size={14} /> },
  { value: "on", mark: <OnDot size={14} /> },
  { value: "late", mark: <LateWedge size={14} /> },
];
/** On a phone what is chosen from stands below what it is about, as wide as the card. */
const row = {
  display: "flex",
  alignItems: "center",
  flexWrap: { xs: "wrap", sm: "nowrap" },
} as const;
const choices = { display: "flex", flex: { xs: "1 0 100%", sm: "none" } } as const;

export const StepCard = ({ index, say, sheet, noting }: Props) => {
  const { draft, change } = noting;
  const { plan } = sheet;
  const here = draft.card === index;
  const call = plan.calls[index - 1];
  return (
    <Paper
      component="li"
      aria-current={here ? "step" : undefined}
      onPointerDown={() => !here && change({ card: index })}
      sx={{ p: 1.25, border: `2px solid ${here ? ink.teal : "transparent"}` }}
    >
      <Box sx={{ ...row, gap: 1.5 }}>
        <svg width={30} height={30} viewBox="-13 -13 26 26" aria-hidden="true">
          {call ? (
            <CallDisc x={0} y={0} label={String(index)} stop={index === plan.calls.length} />
          ) : (
            <FirstStop />
          )}
        </svg>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Box sx={{ fontWeight: 700, fontSize: 17 }}>{say}</Box>
          <Box sx={{ fontSize: 14, color: ink.soft }}>
            {call ? call.said.text : t("drive.from", { where: plan.begins.text })}
          </Box>
          {call && isUnseen(call) && <Box sx={{ fontSize: 14 }}>{call.instead.text}</Box>}
        </Box>
        {call && (
          <Box
            role="group"
            aria-label={t("drive.call", { number: index })}
            sx={{ ...choices, gap: 0.75 }}
          >
            {TIMINGS.map(({ value, mark }) => (
              <Button
                key={value}
                variant={draft.calls[index - 1] === value ? "contained" : "outlined"}
                aria-pressed={draft.calls[index - 1] === value}
                startIcon={<Light>{mark}</Light>}
                onClick={() => noteTiming(noting, index, value)}
                sx={{ minHeight: 52, minWidth: { xs: 0, sm: 96 }, flex: 1, fontSize: 16 }}
              >
                {t(`names.${value}`)}
              </Button>
            ))}
          </Box>
        )}
      </Box>
      <NotedLooks index={index} sheet={sheet} noting={noting} />
    </Paper>
  );
};

/** What is looked at before a step, or after the last one, and what became of it. */
export const NotedLooks = ({ index, sheet, noting }: Omit<Props, "say">) => {
  const { draft } = noting;
  return sheet.plan.looks
    .map((look, i) => ({ look, i }))
    .filter(({ look }) => look.step === index)
    .map(({ look, i }) => (
      <Box key={look.look} sx={{ ...row, gap: 1, mt: 0.75, pl: { xs: 0, sm: 5 } }}>
        <EyeMark state={draft.looks[i] ?? "open"} size={26} />
        <Box sx={{ flex: 1, fontSize: 14, minWidth: 0 }}>
          <Term means={t(`terms.${look.look}`)}>
            <strong>{named(look.look)}</strong>
          </Term>
          : {look.said.text}
        </Box>
        <Box
          role="group"
          aria-label={t("drive.look", { number: i + 1, look: named(look.look) })}
          sx={{ ...choices, gap: 0.5 }}
        >
          {LOOKS.map((done) => (
            <Button
              key={done}
              size="small"
              variant={draft.looks[i] === done ? "contained" : "outlined"}
              aria-pressed={draft.looks[i] === done}
              onClick={() => noteLook(noting, i, done)}
              sx={{ minHeight: 44, minWidth: { xs: 0, sm: 84 }, flex: 1, px: 0.5 }}
            >
              {t(`names.${done}`)}
            </Button>
          ))}
        </Box>
      </Box>
    ));
};

/** What is looked after once the vehicle stands, before one drives on; nothing where there is none. */
export const Afterwards = ({ sheet, noting }: Omit<Props, "say" | "index">) => {
  const after = sheet.plan.calls.length + 1;
  if (!sheet.plan.looks.some((look) => look.step === after)) return null;
  return (
    <Paper component="li" sx={{ p: 1.25, pt: 0.5 }}>
      <NotedLooks index={after} sheet={sheet} noting={noting} />
    </Paper>
  );
};

/** A pale ground under a mark, so that it reads on a pressed button too. */
export const Light = ({ children }: { children: React.ReactNode }) => (
  <Box
    component="span"
    sx={{
      display: "grid",
      placeItems: "center",
      width: 22,
      height: 22,
      borderRadius: 1,
      background: ink.sheet,
    }}
  >
    {children}
  </Box>
);
