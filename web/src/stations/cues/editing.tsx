/** What the editor of a step is made of: a choice by name, and a figure fixed or left to the fit. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { MethodBody } from "../../api/types";
import { named, t } from "../../words";
import type { Step } from "./methodSteps";

export interface StepProps {
  body: MethodBody;
  step: Step;
  change: (part: Partial<Step>) => void;
}

interface ChoiceProps {
  label: string;
  value: string;
  choices: Record<string, string>;
  choose: (value: string) => void;
}

export const Choice = ({ label, value, choices, choose }: ChoiceProps) => (
  <TextField
    select
    size="small"
    label={label}
    value={value}
    onChange={(e) => choose(e.target.value)}
    sx={{ flex: 1, minWidth: 0 }}
  >
    {Object.entries(choices).map(([key, said]) => (
      <MenuItem key={key} value={key} sx={{ minHeight: 44 }}>
        {said}
      </MenuItem>
    ))}
  </TextField>
);

export const same = (names: readonly string[]) =>
  Object.fromEntries(names.map((name) => [name, named(name)]));

interface FittedProps {
  what: string;
  fitted: boolean;
  fit: () => void;
  fix: () => void;
  children: React.ReactNode;
}

/** A figure that the fit finds for each vehicle, or one that the method has fixed. */
export const Fitted = ({ what, fitted, fit, fix, children }: FittedProps) => (
  <Box sx={{ display: "flex", gap: 1, alignItems: "center", fontSize: 14 }}>
    {fitted ? <Box sx={{ flex: 1 }}>{t("cues.fitted to the vehicle", { what })}</Box> : children}
    <Button size="small" onClick={fitted ? fix : fit}>
      {fitted ? t("cues.fix it") : t("cues.leave it to the fit")}
    </Button>
  </Box>
);
