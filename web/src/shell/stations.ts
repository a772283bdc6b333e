import type { Docket } from "../api/types";
import type { Code } from "../words";

export interface Station {
  readonly path: string;
  readonly name: Code;
  /** What is done there. */
  readonly does: Code;
  /** Whether the station holds something for this docket. */
  readonly filled: (docket: Docket) => boolean;
}

export const STATIONS: readonly Station[] = [
  { path: "/seat", name: "shell.seat", does: "shell.on seat", filled: () => true },
  { path: "/ground", name: "shell.ground", does: "shell.on ground", filled: () => true },
  { path: "/cues", name: "shell.cues", does: "shell.on cues", filled: (d) => d.sheet_id !== null },
  { path: "/drive", name: "shell.drive", does: "shell.on drive", filled: (d) => d.attempts > 0 },
  { path: "/tape", name: "shell.tape", does: "shell.on tape", filled: (d) => d.taped > 0 },
  { path: "/shift", name: "shell.shift", does: "shell.on shift", filled: (d) => d.shifted },
];

export const DESK = [
  { path: "/card", name: "shell.card" },
  { path: "/lesson", name: "shell.lesson" },
  { path: "/people", name: "shell.people" },
  { path: "/diary", name: "shell.diary" },
  { path: "/garage", name: "shell.garage" },
  { path: "/places", name: "shell.places" },
  { path: "/methods", name: "shell.methods" },
  { path: "/standards", name: "shell.standards" },
  { path: "/school", name: "shell.school" },
] as const satisfies readonly { path: string; name: Code }[];

/** Every page inside the house; one that is bare shows no heading of its own. */
export const PAGES: readonly { path: string; name: Code; bare?: boolean }[] = [
  ...STATIONS.map(({ path, name }) => ({ path, name, bare: true })),
  ...DESK,
  { path: "/history", name: "shell.history" },
  { path: "/mock-tests", name: "shell.mock tests" },
  { path: "/compare", name: "shell.compare" },
  { path: "/hill", name: "shell.hill" },
  { path: "/trailer", name: "shell.trailer" },
];
