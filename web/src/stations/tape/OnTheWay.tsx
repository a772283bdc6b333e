/** What the standard limits on the way, to be told with the tape: it is kept with the notes. */

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import type { Attempt, Notes, Sheet } from "../../api/types";
import { Panel } from "../../shell/Panel";
import { useStored } from "../../shell/useStored";
import { t } from "../../words";
import { useCorrection } from "./useCorrection";
import { useWayMeasures, WayFields } from "./WayFields";

interface Props {
  sheet: Sheet;
  attempt: Attempt;
}

export const OnTheWay = ({ sheet, attempt }: Props) => {
  const { notes } = attempt;
  const [draft, setDraft, forget] = useStored<Notes["on_the_way"] | null>(
    `on-the-way/${attempt.id}`,
    null,
  );
  const keep = useCorrection(attempt, forget);
  const measures = useWayMeasures(sheet, notes.on_the_way);
  if (measures.length === 0) return null;
  return (
    <Panel label={t("judging.on the way")}>
      <WayFields measures={measures} way={draft ?? notes.on_the_way} change={setDraft} />
      {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
      {draft && (
        <Button
          variant="outlined"
          loading={keep.isPending}
          onClick={() => keep.mutate({ ...notes, on_the_way: draft })}
          sx={{ mt: 1, minHeight: 44 }}
        >
          {t("judging.keep what was measured")}
        </Button>
      )}
    </Panel>
  );
};
