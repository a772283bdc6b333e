/** What cannot be, or hardly, is asked about as soon as it is typed. */

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { measureName } from "../../judging/measures";
import type { FinishWords } from "../../places";
import { t } from "../../words";
import type { useTaping } from "./useTaping";

interface Props {
  doubts: ReturnType<typeof useTaping>["doubts"];
  words: FinishWords;
}

export const Doubts = ({ doubts, words }: Props) =>
  doubts.open.map((one) => (
    <Alert
      key={one.reading}
      severity={one.possible ? "warning" : "error"}
      action={
        one.possible && (
          <Button sx={{ minHeight: 44 }} color="inherit" onClick={() => doubts.itIsSo(one)}>
            {t("tape.it is so")}
          </Button>
        )
      }
    >
      {measureName(one.reading, words)}: {one.said.text}
    </Alert>
  ));
