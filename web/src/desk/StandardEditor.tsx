/** Changing a standard: its name, whose it is, of what day, and every limit. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Entry, StandardBody } from "../api/types";
import type { FinishWords } from "../places";
import { LengthField } from "../shell/LengthField";
import { NumberField } from "../shell/NumberField";
import { ReviseBar } from "../shell/ReviseBar";
import { SaveCopy } from "../shell/SaveCopy";
import { useRevise } from "../shell/useRevise";
import { MEASURES, measureName } from "../stations/tape/VerdictCard";
import { ink } from "../theme";
import { t } from "../words";

type Limit = StandardBody["limits"][number];
type Grade = "small" | "serious" | "ends";

const GRADES: readonly Grade[] = ["small", "serious", "ends"];
const HEADS = {
  small: "desk.small fault outside",
  serious: "desk.serious outside",
  ends: "desk.ends the test outside",
} as const;

interface Props {
  standard: Entry<"standard">;
  words: FinishWords;
}

export const StandardEditor = ({ standard, words }: Props) => {
  const draft = useRevise<StandardBody>(
    standard.latest as typeof standard.latest & {
      body: StandardBody;
    },
  );
  const { body, edit } = draft;
  const text = (key: "name" | "authority" | "dated", label: string, more: object = {}) => (
    <TextField
      size="small"
      label={label}
      value={body[key]}
      onChange={(e) => edit({ ...body, [key]: e.target.value })}
      sx={{ flex: 1, minWidth: 180 }}
      {...more}
    />
  );
  const change = (index: number, part: Partial<Limit>) =>
    edit({
      ...body,
      limits: body.limits.map((limit, i) => (i === index ? { ...limit, ...part } : limit)),
    });
  const free = MEASURES.filter((one) => body.limits.every((limit) => limit.measure !== one));
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        {text("name", t("desk.persons name"))}
        {text("authority", t("desk.authority"))}
        {text("dated", t("desk.dated"), { type: "date" })}
        <NumberField
          label={t("desk.small faults allowed")}
          value={body.small_allowed}
          width={150}
          onCommit={(small_allowed) => edit({ ...body, small_allowed })}
        />
      </Box>
      {body.limits.map((limit, i) => (
        <LimitRow
          key={limit.measure}
          limit={limit}
          name={measureName(limit.measure, words)}
          change={(part) => change(i, part)}
          remove={() => edit({ ...body, limits: body.limits.toSpliced(i, 1) })}
          last={body.limits.length === 1}
        />
      ))}
      {free.length > 0 && (
        <TextField
          select
          size="small"
          label={t("desk.limit another measure")}
          value=""
          onChange={(e) => {
            const measure = e.target.value as Limit["measure"];
            const limit: Limit = { measure, small: [null, null], serious: null, ends: null };
            edit({ ...body, limits: [...body.limits, limit] });
          }}
          sx={{ maxWidth: 320 }}
        >
          {free.map((measure) => (
            <MenuItem key={measure} value={measure} sx={{ minHeight: 44 }}>
              {measureName(measure, words)}
            </MenuItem>
          ))}
        </TextField>
      )}
      <SaveCopy kind="standard" body={body} kept={draft.clear} />
      <ReviseBar revision={standard.latest} draft={draft} what="standard" />
    </Box>
  );
};

interface RowProps {
  limit: Limit;
  name: string;
  change: (part: Partial<Limit>) => void;
  remove: () => void;
  last: boolean;
}

/** One measure and its three ranges; an empty field leaves that end open. */
const LimitRow = ({ limit, name, change, remove, last }: RowProps) => (
  <Box
    role="group"
    aria-label={name}
    sx={{
      display: "flex",
      flexWrap: "wrap",
      gap: 1.5,
      alignItems: "center",
      borderTop: `1px solid ${ink.line}`,
      pt: 1,
    }}
  >
    <Box sx={{ width: 150, fontWeight: 700 }}>{name}</Box>
    {GRADES.map((grade) => (
      <Range
        key={grade}
        measure={limit.measure}
        label={t(HEADS[grade])}
        range={limit[grade] ?? null}
        set={(range) => change({ [grade]: range })}
      />
    ))}
    <Button color="error" disabled={last} onClick={remove}>
      {t("desk.no limit")}
    </Button>
  </Box>
);

type Bounds = [number | null, number | null];

interface RangeProps {
  measure: string;
  label: string;
  range: readonly [number | null, number | null] | null;
  set: (range: Bounds | null) => void;
}

const Range = ({ measure, label, range, set }: RangeProps) => {
  const [low, high] = range ?? [null, null];
  const unit = measure.endsWith("_deg") ? ", °" : measure === "seconds" ? ", s" : "";
  const given = (next: Bounds) => set(next[0] === null && next[1] === null ? null : next);
  const end = (value: number | null, said: string, commit: (value: number | null) => void) =>
    measure.endsWith("_m") ? (
      <LengthField label={said} metres={value} bare="cm" optional width={96} onCommit={commit} />
    ) : (
      <NumberField label={said} value={value} optional width={80} onCommit={commit} />
    );
  return (
    <Box role="group" aria-label={label} sx={{ display: "grid", gap: 0.5 }}>
      <Box sx={{ fontSize: 13, color: ink.soft }}>
        {label}
        {unit}
      </Box>
      <Box sx={{ display: "flex", gap: 0.5 }}>
        {end(low, t("desk.from"), (value) => given([value, high]))}
        {end(high, t("desk.to"), (value) => given([low, value]))}
      </Box>
    </Box>
  );
};
