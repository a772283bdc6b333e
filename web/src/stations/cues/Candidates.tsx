/** Every cue that shows at a stop, the best first: another one can be taken instead. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import Radio from "@mui/material/Radio";
import RadioGroup from "@mui/material/RadioGroup";
import { useState } from "react";
import type { Candidate, Metres, Pointed, Spot } from "../../api/types";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";
import { PointOut } from "./PointOut";

interface Props {
  spot: Spot;
  /** How far before and after its call a cue was looked for. */
  followed: Metres;
  /** The cue that somebody chose, by its key; null where the sharpest is told. */
  picked: string | null;
  /** Takes a cue by its key, or the sharpest again. */
  pick: (key: string | null) => void;
  /** Plays the call so many metres late, negative early; nothing at a stop. */
  play: ((metres: number) => void) | null;
  /** Has the step before wait for a cue; nothing where nobody may change the method. */
  teach: ((cue: Pointed) => void) | null;
}

export const Candidates = (props: Props) => {
  const { spot, followed, picked, pick, play, teach } = props;
  const [open, setOpen] = useState(false);
  const others = spot.candidates.filter((one) => one.key !== spot.chosen).length;
  if (spot.candidates.length === 0) return null;
  return (
    <Box sx={{ mt: 0.75 }}>
      {picked !== null && <Box sx={{ fontSize: 13, fontWeight: 700 }}>{t("cues.chosen here")}</Box>}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {(others > 0 || teach) && (
          <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
            {others > 0 ? t("cues.other cues", { count: others }) : t("cues.this cue in detail")}
          </Button>
        )}
        {picked !== null && (
          <Button size="small" onClick={() => pick(null)}>
            {t("cues.take the sharpest")}
          </Button>
        )}
      </Box>
      {open && (
        <RadioGroup
          aria-label={t("cues.cues to choose from")}
          value={picked ?? spot.chosen}
          onChange={(_, key) => pick(key)}
        >
          {spot.candidates.map((one) => (
            <Box key={one.key} sx={{ py: 0.5, borderTop: `1px solid ${ink.line}` }}>
              <FormControlLabel
                value={one.key}
                control={<Radio size="small" sx={{ alignSelf: "flex-start" }} />}
                label={<Told one={one} followed={followed} />}
                sx={{ mr: 0 }}
                slotProps={{ typography: { component: "div" } }}
              />
              {play && <AtMark metres={one.at_mark_m} play={play} />}
              {teach && one.mark !== null && (
                <Box sx={{ pl: 4 }}>
                  <Button size="small" onClick={() => teach(one)}>
                    {t("cues.wait for this")}
                  </Button>
                </Box>
              )}
            </Box>
          ))}
        </RadioGroup>
      )}
      {open && spot.candidates.length > 1 && (
        <PointOut all={[...spot.candidates, ...spot.others]} picked={picked} pick={pick} />
      )}
    </Box>
  );
};

/** A shift smaller than this is none, m. */
const EXACT = 0.01;

/** Who uses it exactly at its mark stops elsewhere: where, and how that ends. */
const AtMark = ({ metres, play }: { metres: number | null; play: (metres: number) => void }) => {
  const units = useUnits();
  if (metres === null || Math.abs(metres) < EXACT) return null;
  const said = metres < 0 ? "cues.at the mark early" : "cues.at the mark late";
  return (
    <Box sx={{ pl: 4, fontSize: 13 }}>
      {t(said, { by: length(Math.abs(metres), units) })}
      <Button size="small" onClick={() => play(metres)}>
        {t("cues.how that ends")}
      </Button>
    </Box>
  );
};

const Told = ({ one, followed }: { one: Candidate; followed: Metres }) => {
  const units = useUnits();
  const shown = (metres: Metres) => {
    const by = length(metres, units);
    return metres < followed ? by : t("cues.at least", { by });
  };
  const told = [
    t("cues.sharp to computed", { to: length(one.scatter_m, units) }),
    t("cues.shows from to", {
      before: shown(one.before_m),
      after: shown(one.after_m),
    }),
    one.sharp ? "" : t("cues.too blunt"),
    one.marked ? "" : t("cues.no mark near"),
    ...one.notes.map((note) => note.text),
  ].filter(Boolean);
  return (
    <Box sx={{ fontSize: 14, lineHeight: 1.3 }}>
      {one.said.text}
      <Box sx={{ fontSize: 13, color: ink.soft }}>{told.join(" · ")}</Box>
    </Box>
  );
};
