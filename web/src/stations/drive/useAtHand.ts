import type { Sheet } from "../../api/types";
import { PLACES } from "../../places";
import { useSchool } from "../../shell/useDocket";
import type { Seen } from "./jotted";

/** What may be so at such a place: where there is no kerb, none is mounted. */
export const possibleAt = (sheet: Sheet) => {
  const { kerbed } = PLACES[sheet.ground.body.goal.kind];
  return (what: Seen["what"]) => what !== "kerb mounted" || kerbed;
};

/** What is watched for on a sheet: what its standard judges, then what the school wants at hand. */
export const useAtHand = (sheet: Sheet): Seen["what"][] => {
  const { pad } = useSchool();
  const judged = sheet.standard.body.observed.map(({ what }) => what);
  return [...new Set([...judged, ...pad])].filter(possibleAt(sheet));
};
