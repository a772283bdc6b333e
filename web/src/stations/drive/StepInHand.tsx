/** The step in hand: what to say, its cue, its looks, and how its call came. The lower half. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import { useTheme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import type { ReactNode } from "react";
import type { Sheet, Sights } from "../../api/types";
import { CallDisc, EyeMark, FirstStop, LastStop } from "../../drawing/marks";
import { SightPicture } from "../../drawing/SightPicture";
import { useDocket } from "../../shell/useDocket";
import { ink } from "../../theme";
import { named, t } from "../../words";
import { bluntAt, HeldAlong, Moved, pictureLabel, seenAt, spotAt, useWheelOf } from "../cues/told";
import { isUnseen } from "../cues/Unseen";
import { seatOfAnother, useRestsOn } from "../cues/useRestsOn";
import { Views, viewOf } from "../cues/Views";
import { AtEnd, askedAtEnd } from "./AtEnd";
import { Before } from "./Before";
import { type Jotting, lastStop, looksOf, notePrompt, noteTiming, stepOf, tapLook } from "./jotted";
import { Light, TIMINGS } from "./StepCard";
import { useLifted } from "./useLifted";

interface Props {
  sheet: Sheet;
  noting: Jotting;
  /** Whether the clock has been started: other buttons stand at the same place from then on. */
  begun: boolean;
  /** Undefined until loaded. */
  sights: Sights | undefined;
  /** What the first stop and the last are for. */
  ends: ReactNode;
  /** Draw the sight picture here; wide screens show it beside the notes. */
  showPicture: boolean;
}

/** Texts of a step: instruction, cue, place, next instruction, and what to do if the cue is hidden. */
export const stepText = (sheet: Sheet, card: number, sights?: Sights) => {
  const { plan, method } = sheet;
  const steps = method.body.steps;
  const call = plan.calls[card - 1];
  const after = plan.calls.length + 1;
  const say =
    card < after
      ? (steps[card]?.say ?? "")
      : t(card === after ? "cues.last stop" : "drive.leaving");
  const place = call
    ? call.said.text
    : card === 0
      ? t("drive.from", { where: plan.begins.text })
      : card === after
        ? plan.ends.text
        : t("drive.before driving on");
  const stop = seenAt(sights, card) ?? bluntAt(sights, card);
  const cue = call ? (call.cues[0]?.through ? call.seen.text : undefined) : stop;
  const next = card + 1 < after ? steps[card + 1]?.say : card < after ? t("cues.last stop") : null;
  return {
    say,
    cue: cue ?? null,
    place,
    next: next ?? null,
    instead: call && isUnseen(call) ? call.instead.text : null,
  };
};

export const StepInHand = ({ sheet, noting, begun, sights, ends, showPicture }: Props) => {
  const { draft } = noting;
  const { card } = draft;
  const { plan } = sheet;
  const { say, cue, place, next, instead } = stepText(sheet, card, sights);
  const wheel = useWheelOf(plan, stepOf(draft, card));
  const call = plan.calls[card - 1];
  const called = card > 0 && card < lastStop(draft);
  const prompted = draft.prompted.includes(stepOf(draft, card));
  const small = useMediaQuery(useTheme().breakpoints.down("sm"));
  const lifted = useLifted(`${card} ${begun}`);
  return (
    <Paper
      component="section"
      aria-label={t("drive.step in hand")}
      sx={{
        p: { xs: 1.25, md: 1.5 },
        minHeight: 0,
        display: "flex",
        flexDirection: "column",
        gap: 1,
        border: `2px solid ${ink.teal}`,
        pointerEvents: lifted ? undefined : "none",
      }}
    >
      {/* What is read gives way before what is tapped does. */}
      <Box sx={{ flex: 1, minHeight: 0, overflowY: "auto" }}>
        <Box sx={{ display: "flex", alignItems: "flex-start", gap: 1.25 }}>
          <svg width={34} height={34} viewBox="-13 -13 26 26" aria-hidden="true">
            {called ? (
              <CallDisc x={0} y={0} label={String(card)} stop={card === plan.calls.length} />
            ) : card === 0 ? (
              <FirstStop />
            ) : (
              <LastStop />
            )}
          </svg>
          <Box
            component="h2"
            aria-live="polite"
            sx={{ m: 0, flex: 1, fontSize: { xs: 20, sm: 26 }, lineHeight: 1.15 }}
          >
            {say}
          </Box>
          <Button
            variant={prompted ? "contained" : "outlined"}
            aria-pressed={prompted}
            onClick={() => notePrompt(noting, stepOf(draft, card))}
            sx={{ minHeight: 44, flexShrink: 0 }}
          >
            {t("names.prompted")}
          </Button>
        </Box>
        {cue && (
          <Box sx={{ fontSize: { xs: 18, sm: 22 }, fontWeight: 700, lineHeight: 1.25, mt: 0.5 }}>
            {cue}
          </Box>
        )}
        {wheel && (
          <Box sx={{ fontSize: { xs: 16, sm: 19 }, fontWeight: 700, mt: 0.5 }}>{wheel}</Box>
        )}
        <Box sx={{ fontSize: { xs: 15, sm: 17 }, lineHeight: 1.3, mt: 0.5 }}>{place}</Box>
        {call && <Moved call={call} />}
        {instead && <Box sx={{ fontSize: 15 }}>{instead}</Box>}
        {card < lastStop(draft) && <HeldAlong sights={sights} step={stepOf(draft, card)} />}
        {showPicture && (
          <Box sx={{ mt: 1, "& svg": { maxHeight: { xs: 124, sm: 460 } } }}>
            <Views views={viewOf(spotAt(sights, card), pictureLabel(plan, card))} closeUp={small} />
          </Box>
        )}
        {card === 0 && <Reservations />}
        {next && (
          <Box sx={{ fontSize: 15, color: ink.soft, lineHeight: 1.3, mt: 0.5 }}>
            {t("drive.then", { next })}
          </Box>
        )}
      </Box>
      <Eyes sheet={sheet} noting={noting} />
      {card === 0 && <Before sheet={sheet} noting={noting} />}
      {card >= lastStop(draft) && (
        <AtEnd
          what={askedAtEnd(sheet, card > lastStop(draft))}
          atEnd={draft.atEnd}
          change={(atEnd) => noting.change({ atEnd })}
        />
      )}
      {called ? <Timings card={card} noting={noting} /> : ends}
    </Paper>
  );
};

/** Whose eye and which unchecked place the cues rest on, said before the start. */
const Reservations = () => {
  const docket = useDocket();
  const lines = [seatOfAnother(docket), ...useRestsOn(docket)].filter(Boolean);
  return lines.map((line) => (
    <Box key={line} sx={{ fontSize: 14, lineHeight: 1.3, mt: 0.5, color: ink.ochre }}>
      {line}
    </Box>
  ));
};

interface PictureProps {
  sheet: Sheet;
  card: number;
  sights: Sights | undefined;
}

/** The sight picture of a step, as high as its container. */
export const StepPicture = ({ sheet, card, sights }: PictureProps) => {
  const picture = spotAt(sights, card)?.picture;
  return picture ? (
    <Box sx={{ minHeight: 0, "& svg": { height: "100%", width: "auto" } }}>
      <SightPicture picture={picture} label={pictureLabel(sheet.plan, card)} />
    </Box>
  ) : null;
};

const Timings = ({ card, noting }: { card: number; noting: Jotting }) => (
  <Box
    role="group"
    aria-label={t("drive.call", { number: card })}
    sx={{ display: "grid", gridTemplateColumns: "repeat(3, minmax(0, 1fr))", gap: 1 }}
  >
    {TIMINGS.map(({ value, mark }) => {
      const chosen = noting.draft.calls[card - 1] === value;
      return (
        <Button
          key={value}
          variant={chosen ? "contained" : "outlined"}
          aria-pressed={chosen}
          startIcon={<Light>{mark}</Light>}
          onClick={() => noteTiming(noting, card, value)}
          sx={{ minHeight: { xs: 68, md: 84 }, fontSize: { xs: 18, md: 22 } }}
        >
          {t(`names.${value}`)}
        </Button>
      );
    })}
  </Box>
);

/** The looks of the step, each an eye to tap: done, late, missed, prompted, and not noted again. */
const Eyes = ({ sheet, noting }: { sheet: Sheet; noting: Jotting }) => {
  const { draft } = noting;
  const of = looksOf(sheet, draft);
  const looks = sheet.plan.looks.flatMap((look, i) => (of.includes(i) ? [{ look, i }] : []));
  if (looks.length === 0) return null;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
      {looks.map(({ look, i }) => {
        const done = draft.looks[i];
        return (
          <Button
            key={look.look}
            variant="outlined"
            aria-label={t("drive.look is", {
              number: i + 1,
              look: named(look.look),
              done: done ? t(`names.${done}`) : t("tape.not noted"),
            })}
            title={look.said.text}
            onClick={() => tapLook(noting, i)}
            sx={{
              flex: "1 1 92px",
              minHeight: { xs: 48, sm: 56 },
              px: 0.5,
              columnGap: 1,
              lineHeight: 1.15,
              flexDirection: { xs: "row", sm: "column" },
              flexWrap: "wrap",
              background: done ? ink.pale : undefined,
            }}
          >
            <EyeMark state={done ?? "open"} size={28} />
            <span>{named(look.look)} </span>
            <Box component="span" sx={{ fontSize: 13, color: ink.soft }}>
              {done ? t(`names.${done}`) : t("tape.not noted")}
            </Box>
          </Button>
        );
      })}
    </Box>
  );
};
