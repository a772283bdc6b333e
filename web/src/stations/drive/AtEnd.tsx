/** What the standard wants to be so at the end: each to be tapped, so, not so, and not noted again. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Notes, Sheet } from "../../api/types";
import { ink } from "../../theme";
import { named, t } from "../../words";

type What = Sheet["standard"]["body"]["at_end"][number]["what"];

interface Props {
  what: readonly What[];
  atEnd: Notes["at_end"];
  change: (atEnd: Notes["at_end"]) => void;
}

/** Which of them are noted where: that one has left again is known only after leaving. */
export const askedAtEnd = (sheet: Sheet, leaving: boolean): What[] =>
  sheet.standard.body.at_end
    .map(({ what }) => what)
    .filter((what) => (what === "left again") === leaving);

export const AtEnd = ({ what, atEnd, change }: Props) => {
  if (what.length === 0) return null;
  const tap = (one: What) => {
    const { [one]: was, ...rest } = atEnd;
    change(was === false ? rest : { ...rest, [one]: was === undefined });
  };
  return (
    <Box
      role="group"
      aria-label={t("judging.so at the end")}
      sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}
    >
      {what.map((one) => {
        const so = atEnd[one];
        return (
          <Button
            key={one}
            variant="outlined"
            onClick={() => tap(one)}
            sx={{
              flex: "1 1 110px",
              minHeight: 48,
              px: 0.5,
              lineHeight: 1.15,
              flexDirection: "column",
              background: so === undefined ? undefined : ink.pale,
            }}
          >
            <span>{named(one)}</span>
            <Box component="span" sx={{ fontSize: 13, color: ink.soft }}>
              {t(so === undefined ? "tape.not noted" : so ? "names.yes" : "names.no")}
            </Box>
          </Button>
        );
      })}
    </Box>
  );
};
