import type { Readings } from "../../api/types";

/** Readings as they are being typed: null where nothing has been yet. */
export type TypedReadings = { [K in keyof Required<Readings>]: number | null };
