/** What the rows of every kind of rule are made of. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ListSubheader from "@mui/material/ListSubheader";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { ReactNode } from "react";
import { GRADE_NAMES, GRADES, type Grade, type Phase, phaseName } from "../../judging/said";
import { Choice } from "../../shell/Choice";
import { NumberField } from "../../shell/NumberField";
import { useVocabulary } from "../../shell/useVocabulary";
import { ink } from "../../theme";
import { capital, t } from "../../words";

interface RowProps {
  name: string;
  children: ReactNode;
  remove: () => void;
  /** The last limit stays: a standard without any judges nothing. */
  last?: boolean;
}

export const RuleRow = ({ name, children, remove, last = false }: RowProps) => (
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
    <Box sx={{ width: 138, display: "grid", justifyItems: "start" }}>
      <Box sx={{ fontWeight: 700 }}>{capital(name)}</Box>
      <Button color="error" disabled={last} onClick={remove} sx={{ px: 0, minHeight: 36 }}>
        {t("desk.no limit")}
      </Button>
    </Box>
    {children}
  </Box>
);

interface PhaseProps {
  phase: Phase | null | undefined;
  set: (phase: Phase | null) => void;
}

export const PhaseChoice = ({ phase, set }: PhaseProps) => (
  <Choice
    label={t("judging.phase")}
    value={phase ?? null}
    values={useVocabulary().phases}
    told={phaseName}
    none={t("judging.any phase")}
    set={set}
    width={130}
  />
);

export const GradeChoice = ({ grade, set }: { grade: Grade; set: (grade: Grade) => void }) => (
  <Choice
    label={t("judging.fault")}
    value={grade}
    values={GRADES}
    told={(one) => t(GRADE_NAMES[one])}
    set={(one) => one && set(one)}
    width={160}
  />
);

interface PointsProps {
  /** Whether the standard counts points at all. */
  counted: boolean;
  points: number;
  set: (points: number) => void;
}

export const PointsField = ({ counted, points, set }: PointsProps) =>
  counted && <NumberField label={t("judging.points")} value={points} width={74} onCommit={set} />;

interface AddProps<Value extends string> {
  label: string;
  /** By headings; without one where they need none. */
  groups: readonly (readonly [heading: string, values: readonly Value[]])[];
  told: (value: Value) => string;
  add: (value: Value) => void;
}

export const AddRule = <Value extends string>({ label, groups, told, add }: AddProps<Value>) => (
  <TextField
    select
    size="small"
    label={label}
    value=""
    onChange={(e) => add(e.target.value as Value)}
    sx={{ width: 320, maxWidth: "100%", mt: 0.5 }}
  >
    {groups.flatMap(([heading, values]) => [
      heading && values.length > 0 ? <ListSubheader key={heading}>{heading}</ListSubheader> : null,
      ...values.map((value) => (
        <MenuItem key={value} value={value} sx={item}>
          {told(value)}
        </MenuItem>
      )),
    ])}
  </TextField>
);

export const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ display: "grid", gap: 1 }}>
    <Box component="h3" sx={{ fontSize: 16, m: 0, mt: 1 }}>
      {title}
    </Box>
    {children}
  </Box>
);

const item = { minHeight: 44 } as const;
