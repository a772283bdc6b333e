/** The stop or call being explained: its sight picture, its sentence, how sharp it is. */

import Box from "@mui/material/Box";
import Chip from "@mui/material/Chip";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { memo } from "react";
import type { Call, Frame, MethodBody, Metres, Plan, Pointed, Sights, Spot } from "../../api/types";
import type { Scrub } from "../../drawing/scrub";
import { Term } from "../../shell/Term";
import { ink } from "../../theme";
import { t } from "../../words";
import { Candidates } from "./Candidates";
import { Moved, pictureLabel, restsOn, useAssumed, useSharp } from "./told";
import { Views, viewOf } from "./Views";

interface Props {
  /** 0 is the first stop, one more than there are calls the last. */
  active: number;
  plan: Plan;
  method: MethodBody;
  /** What is seen there; null while it is worked out. */
  spot: Spot | null;
  /** Of every stop, with what is held between. */
  sights: Sights | undefined;
  /** The next stop, where the eyes change over from one mirror to the other for it. */
  then: Spot | null;
  /** How far before and after its call a cue was looked for. */
  followed: Metres;
  /** The way as it is seen there, and how far along it is followed. */
  film: readonly Frame[] | undefined;
  scrub: Scrub;
  /** The cue that somebody chose there, by its key; null where the sharpest is told. */
  picked: string | null;
  pick: (key: string | null) => void;
  play: (metres: number) => void;
  teach: ((cue: Pointed) => void) | null;
}

export const CueCard = memo((props: Props) => {
  const { film, scrub, then, ...words } = props;
  const { active, plan, spot } = words;
  const views = [
    ...viewOf(spot, pictureLabel(plan, active)),
    ...viewOf(then, pictureLabel(plan, active + 1)),
  ];
  return (
    <Box
      sx={{
        // Beside the calls the picture stays in sight: what is read of it rolls away below it.
        display: { xs: "block", sm: "grid", md: "contents" },
        gridTemplateColumns: "320px minmax(0, 1fr)",
        gap: 1.25,
        flexShrink: 0,
      }}
    >
      <Box
        sx={{
          position: { md: "sticky" },
          top: 0,
          zIndex: 1,
          flexShrink: 0,
          // Its round corners cover what rolls by behind them.
          background: ink.paper,
          mb: { xs: 1.25, sm: 0 },
          alignSelf: { sm: "start", md: "stretch" },
        }}
      >
        {spot ? (
          <Views views={views} film={film} scrub={scrub} />
        ) : (
          <Box
            role="status"
            sx={{
              aspectRatio: "640 / 400",
              display: "grid",
              placeItems: "center",
              background: ink.cabin,
              color: ink.chalk,
              fontSize: 13,
            }}
          >
            {t("cues.drawing what is seen")}
          </Box>
        )}
      </Box>
      <Words {...words} />
    </Box>
  );
});

/** Apart from the picture, which moves while all of this stands. */
const Words = memo((props: Omit<Props, "film" | "scrub" | "then">) => {
  const { active, plan, method, spot, sights, followed, picked, pick, play, teach } = props;
  const call = plan.calls[active - 1];
  const stop = active === 0 ? "first" : "last";
  const title = call
    ? t("cues.call", { number: call.number, say: method.steps[call.leg]?.say })
    : t(`cues.${stop} stop`);
  const where = call ? null : active === 0 ? plan.begins.text : plan.ends.text;
  const seen = call ? call.seen.text : spot?.seen?.text;
  return (
    <Paper sx={{ p: 1.5, pt: 1, flexShrink: 0 }}>
      <Typography variant="h2" sx={{ lineHeight: 1.25 }}>
        {title}
      </Typography>
      {where && <Typography sx={{ fontSize: 14, mt: 0.5 }}>{where}</Typography>}
      {seen && <Typography sx={{ fontSize: 14, mt: 0.5 }}>{seen}</Typography>}
      {spot?.felt && <Typography sx={{ fontSize: 14, mt: 0.5 }}>{spot.felt.text}</Typography>}
      {call && <OfCall call={call} plan={plan} />}
      {restsOn(spot).map((said) => (
        <Typography key={said} sx={{ fontSize: 13, mt: 0.75 }}>
          {said}
        </Typography>
      ))}
      {(call || active === 0) && <Held sights={sights} step={call?.leg ?? 0} />}
      {spot && (
        <Candidates
          key={active}
          spot={spot}
          followed={followed}
          picked={picked}
          pick={pick}
          play={call && plan.feasible ? play : null}
          teach={active > 0 ? teach : null}
        />
      )}
    </Paper>
  );
});

/** What is held while the step is rolled, as it looks in the middle of it. */
const Held = ({ sights, step }: { sights: Sights | undefined; step: number }) =>
  sights?.held
    .filter((one) => one.step === step)
    .map(({ picture, through, said, begin_m }) => (
      <Box key={begin_m} sx={{ mt: 1 }}>
        <Typography variant="h3" sx={{ mb: 0.5 }}>
          {t("cues.held meanwhile")}
        </Typography>
        <Views
          views={[{ picture, through, label: t("cues.held meanwhile"), said: said[0]?.text ?? "" }]}
        />
      </Box>
    ));

const OfCall = ({ call, plan }: { call: Call; plan: Plan }) => {
  const sharp = useSharp(call);
  const assumed = useAssumed(plan);
  return (
    <>
      {call.instead.text && (
        <Typography sx={{ fontSize: 14, mt: 0.5, fontWeight: 700 }}>{call.instead.text}</Typography>
      )}
      <Moved call={call} />
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1, fontSize: 13 }}>
        {sharp && (
          <Chip
            size="small"
            color="primary"
            variant="outlined"
            label={<Term means={t("terms.sharp", { assumed })}>{sharp}</Term>}
          />
        )}
      </Box>
      <Typography sx={{ fontSize: 13, mt: 0.75 }} color="text.secondary">
        {call.cues[0]?.leant.text}
      </Typography>
    </>
  );
};
