/** Is this a place to practise? What was noted there, and the plain answer with its reasons. */

import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { GroundState, PlaceNotes } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { OnAHill } from "../../shell/OnAHill";
import { distance, length, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { type Code, named, t } from "../../words";

type Found = GroundState["suitability"];
type Noted = Found["noted"][number];

interface Props {
  notes: PlaceNotes;
  found: Found;
  readOnly: boolean;
  change: (part: Partial<PlaceNotes>) => void;
}

const DISTANCES = {
  junction_m: "ground.to the junction",
  crossing_m: "ground.to the crossing",
  bus_stop_m: "ground.to the bus stop",
  driveway_m: "ground.to the driveway",
  bend_m: "ground.to the bend",
  crest_m: "ground.to the crest",
  sight_m: "ground.clear sight",
} as const;

const CHOICES = {
  traffic: { label: "ground.traffic", of: ["quiet", "some", "busy"] },
  light: { label: "ground.light", of: ["clear", "dull", "dark"] },
  neighbour: { label: "ground.neighbour", of: ["straight", "askew", "up on the kerb"] },
} as const;

export const ANSWERS: Record<Found["answer"], Code> = {
  suits: "ground.it suits",
  "with care": "ground.it suits with care",
  "not here": "ground.not here",
  "not known yet": "ground.not known yet look",
};

const MARKS: Record<Noted["grade"], string> = {
  good: "✓",
  mind: "!",
  against: "✗",
  "not noted": "?",
};

const reason = (noted: Noted, units: Units): string => {
  // What was measured reads on from its figure; what was not is named as its field is.
  const field = noted.grade === "not noted" && LEAST[noted.item as keyof typeof LEAST];
  const what = field ? t(field) : noted.said.text;
  const told =
    noted.metres !== null
      ? t("ground.so far to it", { metres: distance(noted.metres, units), what })
      : noted.grade === "not noted"
        ? t("ground.not noted", { what })
        : what;
  if (noted.least_m === null) return told;
  return t("ground.and what is wanted", { told, least: distance(noted.least_m, units) });
};

export const PlaceCheck = ({ notes, found, readOnly, change }: Props) => {
  const units = useUnits();
  return (
    <Paper
      component="section"
      aria-label={t("ground.is this a place")}
      sx={{ p: 2, display: "grid", gap: 1.25, flexShrink: 0 }}
    >
      <Typography variant="h2">{t("ground.is this a place")}</Typography>
      <Box role="status" sx={{ fontWeight: 700, fontSize: 17 }}>
        {t(ANSWERS[found.answer])}
      </Box>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none", fontSize: 14 }}>
        {found.noted.map((noted) => (
          <Box component="li" key={noted.item} sx={{ display: "flex", gap: 1 }}>
            <Box
              component="strong"
              aria-label={t(`names.${noted.grade}`)}
              sx={{
                width: 16,
                color: noted.grade === "against" ? ink.coralText : ink.teal,
              }}
            >
              {MARKS[noted.grade]}
            </Box>
            <span>{reason(noted, units)}</span>
          </Box>
        ))}
      </Box>
      {!readOnly && <Notes notes={notes} change={change} asked={found.noted.map((n) => n.item)} />}
      {found.noted.some((noted) => noted.item === "slope") && <OnAHill />}
      {!readOnly && <Least notes={notes} change={change} found={found} />}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {found.noted.some((n) => n.least_m !== null) && `${t("ground.the least distances")} `}
        {t("ground.what is lawful here")}
        {found.noted.some((n) => n.item === "to_pass") &&
          ` ${t("ground.room to pass is worked", { wide: length(1.8, units), beside: length(0.9, units) })}`}
      </Typography>
    </Paper>
  );
};

/** The school's own least distances, which the answer holds what was noted against. */
const Least = ({ notes, change, found }: Pick<Props, "notes" | "change" | "found">) => {
  const asked = found.noted.filter((noted) => noted.least_m !== null);
  if (asked.length === 0) return null;
  return (
    <Box component="details" sx={{ "& summary": { cursor: "pointer", minHeight: 32 } }}>
      <summary>{t("ground.our own least distances")}</summary>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(132px, 1fr))",
          gap: 1.25,
          pt: 1.5,
        }}
      >
        {asked.map((noted) => (
          <LengthField
            key={noted.item}
            label={t("ground.at least", { what: t(LEAST[noted.item as keyof typeof LEAST]) })}
            metres={noted.least_m}
            width={132}
            onCommit={(metres) =>
              metres !== null &&
              change({
                least: { ...notes.least, [`${noted.item}_m`]: metres } as typeof notes.least,
              })
            }
          />
        ))}
      </Box>
    </Box>
  );
};

const LEAST = {
  junction: "ground.to the junction",
  crossing: "ground.to the crossing",
  bus_stop: "ground.to the bus stop",
  driveway: "ground.to the driveway",
  bend: "ground.to the bend",
  crest: "ground.to the crest",
  sight: "ground.clear sight",
  to_pass: "ground.room to pass",
} as const;

interface NotesProps extends Pick<Props, "notes" | "change"> {
  /** What the answer depends on at this kind of place. */
  asked: readonly string[];
}

const Notes = ({ notes, change, asked }: NotesProps) => (
  <Box
    sx={{
      display: "grid",
      gridTemplateColumns: "repeat(auto-fill, minmax(132px, 1fr))",
      gap: 1.25,
    }}
  >
    <Choice
      label={t("ground.allowed here")}
      value={notes.legal === undefined || notes.legal === null ? "" : notes.legal ? "yes" : "no"}
      of={["yes", "no"]}
      choose={(value) => change({ legal: value === null ? null : value === "yes" })}
    />
    {(Object.keys(CHOICES) as (keyof typeof CHOICES)[]).map((key) => (
      <Choice
        key={key}
        label={t(CHOICES[key].label)}
        value={notes[key] ?? ""}
        of={CHOICES[key].of}
        choose={(value) => change({ [key]: value })}
      />
    ))}
    {(Object.keys(DISTANCES) as (keyof typeof DISTANCES)[])
      .filter((key) => asked.includes(key.replace(/_m$/, "")))
      .map((key) => (
        <LengthField
          key={key}
          label={t(DISTANCES[key])}
          metres={notes[key] ?? null}
          optional
          width={132}
          onCommit={(metres) => change({ [key]: metres })}
        />
      ))}
    <Choice
      label={t("ground.slope")}
      value={slopeOf(notes.slope_percent)}
      of={Object.keys(SLOPES)}
      choose={(value) => change({ slope_percent: value === null ? null : (SLOPES[value] ?? null) })}
    />
  </Box>
);

const SLOPES: Record<string, number> = {
  level: 0,
  "gentle up": 4,
  "gentle down": -4,
  "steep up": 8,
  "steep down": -8,
};

const slopeOf = (percent: number | null | undefined): string =>
  Object.keys(SLOPES).find((name) => SLOPES[name] === percent) ?? "";

interface ChoiceProps {
  label: string;
  value: string;
  of: readonly string[];
  choose: (value: string | null) => void;
}

const Choice = ({ label, value, of, choose }: ChoiceProps) => (
  <TextField
    select
    size="small"
    label={label}
    value={value}
    onChange={(e) => choose(e.target.value === "" ? null : e.target.value)}
  >
    <MenuItem value="" sx={{ minHeight: 44 }}>
      {t("names.not noted")}
    </MenuItem>
    {of.map((name) => (
      <MenuItem key={name} value={name} sx={{ minHeight: 44 }}>
        {named(name)}
      </MenuItem>
    ))}
  </TextField>
);
