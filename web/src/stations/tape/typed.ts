import type { StatedReadings, Taped } from "../../api/types";

export type ReadingName = "kerb_front_m" | "kerb_rear_m" | "ahead_m" | "behind_m";
/** What a reading is called among those that were only looked at. */
export type LookedAt = "kerb_front" | "kerb_rear" | "ahead" | "behind";
export type Glance = Taped["by_eye"][string];

/** Readings as they are being typed: null where nothing has been yet; and those told by eye. */
export type TypedReadings = Record<ReadingName, number | null> & {
  by_eye?: Partial<Record<LookedAt, Glance>>;
};

export const READINGS: readonly ReadingName[] = [
  "kerb_front_m",
  "kerb_rear_m",
  "ahead_m",
  "behind_m",
];

/** Nobody has read anything yet. */
export const NOTHING: TypedReadings = {
  kerb_front_m: null,
  kerb_rear_m: null,
  ahead_m: null,
  behind_m: null,
};

export const lookedAt = (name: ReadingName): LookedAt => name.slice(0, -2) as LookedAt;

/** The readings as a statement: one is enough; null while none is entered. */
export const statedReadings = ({ by_eye: _, ...said }: TypedReadings): StatedReadings | null =>
  READINGS.some((name) => said[name] !== null) ? said : null;

const known = (r: TypedReadings, name: ReadingName): boolean =>
  r[name] !== null || r.by_eye?.[lookedAt(name)] !== undefined;

/** The same where wheels may have been looked at only. */
export const taped = ({ by_eye = {}, ...metres }: TypedReadings): Taped | null =>
  known({ ...metres, by_eye }, "kerb_front_m") && known({ ...metres, by_eye }, "kerb_rear_m")
    ? { ...metres, by_eye }
    : null;

/** One reading typed, in place of what an eye said of it. */
export const withMetres = (
  r: TypedReadings,
  name: ReadingName,
  metres: number | null,
): TypedReadings => ({ ...withGlance(r, name, null), [name]: metres });

/** One reading told by eye, in place of what was typed; null: not by eye after all. */
export const withGlance = (
  r: TypedReadings,
  name: ReadingName,
  glance: Glance | null,
): TypedReadings => {
  const { [lookedAt(name)]: _, ...rest } = r.by_eye ?? {};
  return { ...r, [name]: null, by_eye: glance ? { ...rest, [lookedAt(name)]: glance } : rest };
};
