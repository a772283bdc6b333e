/** Figures as people say them, in the school's units; and what they type, back to metres. */

import type { School } from "../api/types";
import { decimal, t } from "../words";

export type Units = School["units"];

const INCH = 0.0254;

const feetAndInches = (metres: number, step: number) => {
  const total = Math.round(Math.abs(metres) / INCH / step) * step;
  const feet = Math.floor(total / 12);
  const inches = decimal(total - feet * 12);
  const sign = metres < 0 && total > 0 ? "−" : "";
  if (feet === 0) return `${sign}${inches} in`;
  return `${sign}${feet} ft ${inches} in`;
};

/** A length rounded as the tape gives it: centimetres, or half inches. */
export const length = (metres: number | null | undefined, units: Units): string => {
  if (metres === null || metres === undefined) return "–";
  if (units === "imperial") return feetAndInches(metres, 0.5);
  if (Math.abs(metres) < 0.995) return `${decimal(Math.round(metres * 100))} cm`;
  return `${decimal(metres, 2)} m`;
};

/** A length to the millimetre, or the twentieth of an inch: how sure something is. */
export const finely = (metres: number, units: Units): string =>
  units === "imperial" ? feetAndInches(metres, 0.05) : `${decimal(metres * 1000, 0)} mm`;

/** How far off something stands: whole metres or feet once it is far. */
export const distance = (metres: number, units: Units): string => {
  if (metres < (units === "imperial" ? 3 : 10)) return length(metres, units);
  return units === "imperial" ? `${Math.round(metres / INCH / 12)} ft` : `${Math.round(metres)} m`;
};

/** A length rounded as a driver can act on it: 5 cm, or 2 inches. */
export const roughly = (metres: number, units: Units): string =>
  units === "imperial" ? feetAndInches(metres, 2) : length(Math.round(metres * 20) / 20, units);

/** What a drawing is measured along in: metres, or feet; `every` so many are marked where it is long. */
export const ruler = (units: Units) =>
  units === "imperial"
    ? { name: "feet" as const, metres: 12 * INCH, every: 5, bar: 3, unit: "ft", step: 4 * INCH }
    : { name: "metres" as const, metres: 1, every: 1, bar: 1, unit: "m", step: 0.1 };

/** The bare number for a label that has no room for a unit: centimetres, or inches. */
export const short = (metres: number, units: Units): string =>
  `${Math.round(units === "imperial" ? metres / INCH : metres * 100)}`;

export const shortUnit = (units: Units): string => (units === "imperial" ? "in" : "cm");

export const degrees = (value: number | null | undefined, digits = 0): string =>
  value === null || value === undefined ? "–" : `${decimal(value, digits)}°`;

export const percent = (share: number): string => `${decimal(Math.round(share * 100))} %`;

/** Hand-wheel turns in quarters where that is honest, else with two digits. */
export const turns = (value: number): string => {
  const count = Number(Math.abs(value).toFixed(2));
  return t("units.turns", { count, amount: decimal(count) });
};

const NUMBER = "([+−-]?\\d+(?:[.,]\\d+)?)";
const number = (text: string | undefined) =>
  text === undefined ? Number.NaN : Number(text.replace("−", "-").replace(",", "."));

const FOOT = 12 * INCH;

/** How fast hands turn the wheel while it rolls, given for each metre. */
export const hands = (turnsPerMetre: number, units: Units): string =>
  units === "imperial"
    ? t("units.turns per foot", { turns: decimal(turnsPerMetre * FOOT, 2) })
    : t("units.turns per metre", { turns: decimal(turnsPerMetre, 1) });

/** A speed, given in metres a second. */
export const speed = (metresPerSecond: number, units: Units): string =>
  units === "imperial"
    ? t("units.feet per second", { feet: decimal(metresPerSecond / FOOT, 1) })
    : t("units.metres per second", { metres: decimal(metresPerSecond) });

/** What least sizes are computed with: so much to spare everywhere, m. */
export const SPARE = 0.05;

/** A fraction below this was read off a tape in metres. */
const METRES_BELOW = 2;

/**
 * Metres from what was typed, or null when it is no length. A bare number is in `bare`
 * units; a unit that was typed wins. In a field of centimetres “0.4” means metres: nobody types half
 * a centimetre, and a tape has both.
 */
export const parseLength = (typed: string, bare: "m" | "cm" | "in" | "ft"): number | null => {
  const text = typed.trim().toLowerCase();
  const feet = new RegExp(`^${NUMBER}\\s*(?:ft|')\\s*(?:${NUMBER}\\s*(?:in|")?)?$`).exec(text);
  if (feet) return number(feet[1]) * 12 * INCH + (feet[2] ? number(feet[2]) * INCH : 0);
  const plain = new RegExp(`^${NUMBER}\\s*(mm|cm|m|in|")?$`).exec(text);
  if (!plain) return null;
  const small = /[.,]/.test(text) && Math.abs(number(plain[1])) < METRES_BELOW;
  const meant = bare === "cm" && small ? "m" : bare;
  const unit = plain[2] === '"' ? "in" : (plain[2] ?? meant);
  const scale = { mm: 0.001, cm: 0.01, m: 1, in: INCH, ft: 12 * INCH }[unit] ?? 1;
  return number(plain[1]) * scale;
};
