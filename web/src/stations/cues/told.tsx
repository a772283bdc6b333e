/** What is told of a call or a stop, on the screen and on paper: its mark, its words, its looks. */

import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import type { Call, Plan, Sights, Spot } from "../../api/types";
import { EarlyWedge, EyeMark, LateWedge } from "../../drawing/marks";
import { length, speed } from "../../shell/units";
import { useSchool, useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { decimal, named, t } from "../../words";

export const Disc = ({ children }: { children: ReactNode }) => (
  <svg width={26} height={26} viewBox="-13 -13 26 26" aria-hidden="true" style={{ flexShrink: 0 }}>
    {children}
  </svg>
);

export interface ToldProps {
  title: string;
  where: string;
  children?: ReactNode;
}

export const Told = ({ title, where, children }: ToldProps) => (
  <Box sx={{ minWidth: 0, flex: 1 }}>
    <Box sx={{ fontWeight: 700, fontSize: 15, lineHeight: 1.25 }}>{title}</Box>
    <Box sx={{ fontSize: 13, color: ink.soft }}>{where}</Box>
    {children}
  </Box>
);

/** Every look before a step, with its reason. */
export const Looks = ({ plan, step }: { plan: Plan; step: number }) =>
  plan.looks
    .filter((look) => look.step === step)
    .map((look) => (
      <Box key={look.look} sx={{ fontSize: 13, display: "flex", gap: 0.75, mt: 0.25 }}>
        <Box component="span" sx={{ flexShrink: 0 }}>
          <EyeMark size={17} />
        </Box>
        <span>
          {named(look.look)}: {look.said.text}
        </span>
      </Box>
    ));

/** What goes wrong just beyond each edge of the window. */
export const Breaks = ({ call }: { call: Call }) => {
  const units = useUnits();
  const edges = [
    { when: "early", mark: <EarlyWedge />, metres: call.early_m, why: call.early_breaks.text },
    { when: "late", mark: <LateWedge />, metres: call.late_m, why: call.late_breaks.text },
  ] as const;
  const told = ({ when, metres, why }: (typeof edges)[number]): string => {
    if (metres === null) return t(`cues.may come ${when}`, { by: length(1, units) });
    if (metres >= 0.005) return t(`cues.beyond ${when}`, { by: length(metres, units), why });
    // If the call fails everywhere, the reason for the whole plan already says why.
    return why && t(`cues.no room ${when}`, { why });
  };
  return (
    <Box sx={{ fontSize: 13, mt: 0.5 }}>
      {edges.filter(told).map((edge) => (
        <Box key={edge.when} sx={{ display: "flex", gap: 0.75, alignItems: "baseline" }}>
          {edge.mark}
          {told(edge)}
        </Box>
      ))}
    </Box>
  );
};

/** How much earlier or later than computed this learner is told. */
export const Moved = ({ call }: { call: Call }) => {
  const units = useUnits();
  const shift = call.told_s_m - call.s_m;
  if (Math.abs(shift) <= 0.005) return null;
  const by = { by: length(Math.abs(shift), units) };
  return (
    <Box sx={{ fontSize: 14, mt: 0.5, fontWeight: 700 }}>
      {shift < 0 ? t("cues.moved earlier", by) : t("cues.moved later", by)}
    </Box>
  );
};

/** How sharply a call's cue tells the moment; nothing where nothing is seen. */
export const useSharp = (call: Call): string | null => {
  const units = useUnits();
  const cue = call.cues[0];
  if (!cue?.through || cue.scatter_m === null) return null;
  return t("cues.sharp to computed", { to: length(cue.scatter_m, units) });
};

/** What the cue of a stop rests on that nobody measured, and how its mirror has to be set. */
export const restsOn = (spot: Spot | null): string[] => {
  const chosen = spot?.candidates.find((one) => one.key === spot.chosen);
  if (!chosen) return [];
  const told = chosen.mirror ? [t("cues.mirror as set")] : [];
  return chosen.rests.text ? [...told, t("cues.it rests", { what: chosen.rests.text })] : told;
};

/** What is seen at a stop by its number; null while it is worked out or where nobody's eye is known. */
export const spotAt = (sights: Sights | undefined, number: number): Spot | null =>
  sights?.spots.find((spot) => spot.call === number) ?? null;

/** What is seen at the first stop or the last, where it is sharp enough to stop by; else nothing. */
export const seenAt = (sights: Sights | undefined, number: number): string | undefined => {
  const spot = spotAt(sights, number);
  const chosen = spot?.candidates.find((one) => one.key === spot.chosen);
  const told = [chosen?.sharp ? spot?.seen?.text : "", spot?.felt?.text].filter(Boolean);
  return told.length > 0 ? told.join(" ") : undefined;
};

/** The same where it is too blunt to stop by: said with that, beside a picture that marks it. */
export const bluntAt = (sights: Sights | undefined, number: number): string | undefined => {
  const spot = spotAt(sights, number);
  return spot?.picture?.cue && spot.seen
    ? t("cues.blunt alone", { seen: spot.seen.text })
    : undefined;
};

/** How far the wheel is turned for a step, as the school tells it; nothing after the last. */
export const useWheelOf = (plan: Plan, step: number): string | undefined => {
  const { wheel } = useSchool();
  return plan.wheels[step]?.[wheel].text;
};

export const Wheel = ({ plan, step }: { plan: Plan; step: number }) => (
  <Box sx={{ fontWeight: 600 }}>{useWheelOf(plan, step)}</Box>
);

/** What is held while a step is rolled, and what drift looks like. */
export const HeldAlong = ({ sights, step }: { sights: Sights | undefined; step: number }) =>
  sights?.held
    .filter((one) => one.step === step)
    .flatMap((one) => one.said)
    .map((said) => (
      <Box key={said.text} sx={{ fontSize: 13, mt: 0.5 }}>
        {said.text}
      </Box>
    ));

export const pictureLabel = (plan: Plan, number: number): string => {
  if (number === 0) return t("drawing.sight picture at the first stop");
  if (number > plan.calls.length) return t("drawing.sight picture at the last stop");
  return t("drawing.sight picture at call", { number });
};

/** The next stop's spot where the eyes change over to another mirror for it. */
export const changesOver = (sights: Sights | undefined, active: number): Spot | null =>
  spotAt(sights, active)?.changes_over ? spotAt(sights, active + 1) : null;

/** What of eye and hand is assumed and not measured. */
export const useAssumed = ({ assumed }: Plan): string => {
  const units = useUnits();
  return t("cues.assumes an eye that tells", {
    acuity: decimal(assumed.acuity_deg),
    glass: decimal(assumed.in_glass_deg),
    reaction: decimal(assumed.reaction_scatter_s),
    crawl: speed(assumed.crawl_m_per_s, units),
  });
};
