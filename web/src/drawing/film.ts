/** The picture between two of a film's frames: the browser draws, the core has seen. */
import type { Frame, Metres, Part } from "../api/types";

/** What has moved after so many metres; null where there is no film. */
export const frameAt = (film: readonly Frame[], s: Metres): Frame | null => {
  const next = film.findIndex((frame) => frame.s_m >= s);
  const b = film[next] ?? film.at(-1);
  const a = film[next - 1] ?? b;
  if (!a || !b) return null;
  const share = b.s_m > a.s_m ? (s - a.s_m) / (b.s_m - a.s_m) : 1;
  return {
    s_m: s,
    outside: between(a.outside, b.outside, share),
    hung: between(a.hung, b.hung, share),
    glass: a.glass && b.glass && between(a.glass, b.glass, share),
  };
};

/** Corners move straight on where both frames have the same ones; else the nearer frame is shown. */
const between = (a: readonly Part[], b: readonly Part[], share: number): Part[] => {
  const nearer = share < 0.5 ? a : b;
  const other = share < 0.5 ? b : a;
  return nearer.map((part, i) => {
    const beside = other[i];
    const same =
      beside?.kind === part.kind &&
      beside.name === part.name &&
      beside.points.length === part.points.length;
    if (!same) return part;
    const [from, to] = share < 0.5 ? [part, beside] : [beside, part];
    return { ...part, points: from.points.map((v, k) => v + ((to.points[k] ?? v) - v) * share) };
  });
};
