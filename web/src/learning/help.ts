/** How much help there was for an attempt, from all of it to none. */
import type { Notes } from "../api/types";
import { t } from "../words";

export type Help = NonNullable<Notes["help"]>;

export const HELP: readonly Help[] = [
  "full card",
  "cues only",
  "from memory",
  "other place from memory",
  "mock test",
];

export const helpName = (help: Help): string => t(`learning.help ${help}`);
