/** What may be observed at any moment: what is watched for at hand, the rest behind one tap. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useTheme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useId, useState } from "react";
import type { Sheet } from "../../api/types";
import type { FinishWords } from "../../places";
import { useVocabulary } from "../../shell/useVocabulary";
import { capital, t } from "../../words";
import { seenAs } from "./Counts";
import type { Seen } from "./jotted";
import { possibleAt, useAtHand } from "./useAtHand";

interface Props {
  sheet: Sheet;
  words: FinishWords;
  counts: ReadonlyMap<string, number>;
  observe: (what: Seen["what"]) => void;
}

export const Pad = ({ sheet, words, counts, observe }: Props) => {
  const { breakpoints } = useTheme();
  const wide = useMediaQuery(breakpoints.up("md"));
  const small = useMediaQuery(breakpoints.down("sm"));
  // What there is no room for beside the cue and its picture is one tap away.
  const pad = useAtHand(sheet).slice(0, wide ? 15 : small ? 5 : 11);
  const { observed } = useVocabulary();
  const [more, setMore] = useState(false);
  const title = useId();
  const rest = observed.filter((what) => possibleAt(sheet)(what) && !pad.includes(what));
  const button = (what: Seen["what"], then = () => {}) => (
    <Button
      key={what}
      variant="outlined"
      onClick={() => {
        observe(what);
        then();
      }}
      sx={cell}
    >
      {capital(seenAs(what, words))}
      {counts.get(what) ? <strong>&nbsp;{counts.get(what)}</strong> : null}
    </Button>
  );
  return (
    <Box
      role="group"
      aria-label={t("drive.observed")}
      sx={{
        display: "grid",
        gap: 0.5,
        gridTemplateColumns: { xs: "repeat(3, 1fr)", sm: "repeat(4, 1fr)", md: "1fr 1fr" },
        gridAutoRows: "minmax(44px, auto)",
        alignContent: "start",
      }}
    >
      {pad.map((what) => button(what))}
      {rest.length > 0 && (
        <Button sx={cell} aria-haspopup="dialog" onClick={() => setMore(true)}>
          {t("drive.more")}
        </Button>
      )}
      <Dialog open={more} onClose={() => setMore(false)} aria-labelledby={title} fullWidth>
        <DialogTitle id={title}>{t("drive.observed")}</DialogTitle>
        <DialogContent sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 0.5 }}>
          {rest.map((what) => button(what, () => setMore(false)))}
        </DialogContent>
      </Dialog>
    </Box>
  );
};

const cell = { minHeight: 44, minWidth: 0, px: 0.5, fontSize: 14, lineHeight: 1.1 } as const;
