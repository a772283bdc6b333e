import type { Docket } from "../api/types";

export interface Station {
  readonly path: string;
  readonly name: string;
  /** Whether the station holds something for this docket. */
  readonly filled: (docket: Docket) => boolean;
}

export const STATIONS: readonly Station[] = [
  { path: "/seat", name: "Seat", filled: () => true },
  { path: "/ground", name: "Ground", filled: () => true },
  { path: "/cues", name: "Cues", filled: (d) => d.sheet_id !== null },
  { path: "/drive", name: "Drive", filled: (d) => d.attempts > 0 },
  { path: "/tape", name: "Tape", filled: (d) => d.taped > 0 },
  { path: "/shift", name: "Shift", filled: (d) => d.shifted },
];

export const DESK = [
  { path: "/people", name: "People" },
  { path: "/diary", name: "Diary" },
  { path: "/garage", name: "Garage" },
  { path: "/standards", name: "Standards" },
  { path: "/hill", name: "Hill" },
  { path: "/trailer", name: "Trailer" },
] as const;
