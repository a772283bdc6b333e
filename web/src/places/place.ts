/** What the screens know of a kind of place: one folder each, registered in `index.ts`. */

import type { ComponentType, ReactNode } from "react";
import type { Docket, Goal, GroundBody, GroundState } from "../api/types";
import { type Code, t } from "../words";

/** What the figures of a finish are called there. */
export interface FinishWords {
  kerb_front_m: string;
  kerb_rear_m: string;
  ahead_m: string;
  behind_m: string;
  /** What the near wheels stand beside, and what it is called when something touches it. */
  edge: string;
  kerb_touches: string;
}

/** A measure that is typed beside the drawing: its name in documents and in words, and its unit. */
export type Field = readonly [measure: string, label: Code, bare?: "m" | "cm"];

export interface ControlsProps {
  ground: GroundBody;
  readOnly: boolean;
  /** Has the core change the place, after every change that came before. */
  change: (make: (body: GroundBody) => Promise<GroundState>) => void;
  field: (...field: Field) => ReactNode;
}

export interface Place {
  /** What its button says where a new one is laid out. */
  fresh: Code;
  /** How it is said that a method ends there. */
  ends: Code;
  /** What lies on its working side. */
  side: Code;
  /** What is driven on ends at kerbs, or at verges. */
  kerbed: boolean;
  /** What is stood there may be left on a hill. */
  hill?: boolean;
  /** Without a goal, as a standard has them. */
  words: (goal: Goal | null, manoeuvre: string) => FinishWords;
  /** What its measures are called beside their dimension lines, and what is taken hold of. */
  measures: Record<string, Code>;
  grips?: Record<string, Code>;
  /** What is wanted at the end: figures, and how to stand where they do not say it. */
  wanted: (goal: Goal) => readonly Field[];
  stood?: Code;
  Scene: ComponentType<{ ground: GroundBody }>;
  /** What of it is no length, or no length that is drawn. */
  Controls?: ComponentType<ControlsProps>;
  /** What else there is to know where cues are told. */
  Aids?: ComponentType<{ docket: Docket }>;
}

export const kerbWords = (): FinishWords => ({
  kerb_front_m: t("places.front wheel to kerb"),
  kerb_rear_m: t("places.rear wheel to kerb"),
  ahead_m: t("places.gap ahead"),
  behind_m: t("places.gap behind"),
  edge: t("names.kerb"),
  kerb_touches: t("places.kerb touched"),
});

export const OFF_KERB: Field = ["goal_kerb", "places.wheels off the kerb", "cm"];
