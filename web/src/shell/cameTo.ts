import type { Driven } from "../api/types";
import { t } from "../words";

/** What an attempt came to. Looks that nobody noted may have been missed: then it is no more. */
export const cameTo = (one: Pick<Driven, "void" | "outcome" | "met" | "whole">): string => {
  if (one.void) return t("tape.spoilt left out");
  if (one.outcome === null) return t("tape.not taped yet");
  const outcome = t(`names.${one.outcome}`);
  return one.met && !one.whole ? t("tape.as far as it was watched", { outcome }) : outcome;
};
