/** A second person's tape: the first one's is out of sight until theirs is kept. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Attempt, Sheet } from "../../api/types";
import type { FinishWords } from "../../places";
import { Columns } from "../../shell/Columns";
import { Panel } from "../../shell/Panel";
import { t } from "../../words";
import { Doubts } from "./Doubts";
import { inWords } from "./inWords";
import { TapeSide } from "./TapeSide";
import { TapeSlab } from "./TapeSlab";
import { NOTHING, withMetres } from "./typed";
import type { useSecondTape } from "./useTaping";

interface Props {
  sheet: Sheet;
  attempt: Attempt;
  second: ReturnType<typeof useSecondTape>;
  words: FinishWords;
}

export const SecondTape = ({ sheet, attempt, second, words }: Props) => {
  const typed = second.typed ?? NOTHING;
  const { error } = second.save;
  return (
    <Columns side={360} least={600}>
      <TapeSlab
        sheet={sheet}
        readings={typed}
        tape={null}
        mend={null}
        readOnly={false}
        byEye={false}
        onRead={(name, metres) => second.setTyped(withMetres(typed, name, metres))}
        onLook={() => undefined}
      />
      <TapeSide
        actions={
          <>
            <Button
              variant="contained"
              size="large"
              sx={{ minHeight: 52, flex: 1 }}
              disabled={second.readings === null || second.doubts.open.length > 0}
              loading={second.save.isPending}
              onClick={() => second.save.mutate()}
            >
              {t("tape.keep the second tape")}
            </Button>
            <Button sx={{ minHeight: 52 }} onClick={second.forget}>
              {t("tape.leave it")}
            </Button>
          </>
        }
      >
        <Panel label={t("tape.second tape")}>
          <Box sx={{ fontSize: 15 }}>
            {t("tape.without looking", { by: attempt.tapings.at(-1)?.by ?? "" })}
          </Box>
        </Panel>
        {error && <Alert severity="error">{inWords(error, words)}</Alert>}
        <Doubts doubts={second.doubts} words={words} />
      </TapeSide>
    </Columns>
  );
};
