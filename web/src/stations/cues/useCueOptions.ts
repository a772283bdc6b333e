/** The settings of the cue sheet being looked at: a draft that survives, else the sheet in use. */
import { NO_OPTIONS, optionsInUse } from "../../api/queries";
import type { Docket, PlanOptions } from "../../api/types";
import { useStored } from "../../shell/useStored";

/** Settings without what is null or empty, in one order, so that equal ones read equal. */
const essence = (options: PlanOptions | null): string => {
  const { pinned = {}, shifts_m = {}, picks = {}, ...rest } = options ?? {};
  const kept = Object.entries(rest).filter(
    ([, value]) => value !== null && value !== undefined && value !== false,
  );
  const sorted = (record: Record<string, unknown>) => Object.entries(record).sort();
  return JSON.stringify([kept.sort(), sorted(pinned), sorted(shifts_m), sorted(picks)]);
};

export const useCueOptions = (docket: Docket) => {
  const key = `options/${[
    docket.learner.id,
    docket.vehicle.id,
    docket.seat.id,
    docket.ground.id,
    docket.method.id,
    docket.standard.id,
    docket.sheet_id ?? 0,
  ].join("-")}`;
  const inUse = optionsInUse(docket);
  const [draft, setDraft, forget] = useStored<PlanOptions | null>(key, null);
  const [binned, bin, emptyBin] = useStored<PlanOptions | null>(`discarded/${key}`, null);
  const options = draft ?? inUse;
  return {
    options,
    change: (part: Partial<PlanOptions>) => setDraft({ ...options, ...part }),
    /** They are this sheet's own by now. */
    reset: forget,
    clear: () => setDraft(NO_OPTIONS),
    discard: () => {
      bin(draft);
      forget();
    },
    /** Brings back what was discarded last; null where nothing was. */
    restore:
      binned && draft === null
        ? () => {
            setDraft(binned);
            emptyBin();
          }
        : null,
    /** Whether the screen shows exactly the sheet that attempts are driven on. */
    isInUse:
      docket.sheet_id !== null &&
      docket.since.length === 0 &&
      essence(options) === essence(docket.sheet_options),
    isChanged: draft !== null && essence(draft) !== essence(inUse),
  };
};
