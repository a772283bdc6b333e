/** Something more about an attempt, put on its way behind whatever of it is on its way already. */
import type { Attempt } from "../../api/types";
import type { What } from "../../device/store";
import { useNoting } from "../../device/useUnsent";
import { useDates } from "../../shell/useDates";
import { useDocket } from "../../shell/useDocket";

export const useNotingOf = (attempt: Pick<Attempt, "id" | "started">) => {
  const noting = useNoting();
  const dates = useDates();
  const { learner } = useDocket();
  return (what: What, method: "post" | "put", part: string, body: object) =>
    noting({
      what,
      of: `${learner.name} · ${dates.moment(attempt.started)}`,
      about: `attempt ${attempt.id}`,
      method,
      path: `/api/attempts/{attempt_id}/${part}`,
      params: { attempt_id: attempt.id },
      body: { ...body },
    });
};
