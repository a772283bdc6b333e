/** Movements and touches, counted up and down. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import type { FinishWords } from "../../places";
import { type Code, named, t } from "../../words";
import { type Jotting, oneLess, type Seen } from "./jotted";

const COUNTS: {
  name: "reverse" | "forward" | "kerb" | "mount" | "vehicle";
  label: Code;
}[] = [
  { name: "reverse", label: "drive.reverse movements" },
  { name: "forward", label: "drive.forward movements" },
  { name: "kerb", label: "drive.kerb touched" },
  { name: "mount", label: "drive.kerb mounted" },
  { name: "vehicle", label: "drive.vehicle touched" },
];

/** What is counted here: in a bay there is no kerb to mount. */
export const countsAt = (words: FinishWords, kerbed: boolean) =>
  COUNTS.filter(({ name }) => name !== "mount" || kerbed).map(({ name, label }) => ({
    name,
    label: name === "kerb" ? words.kerb_touches : t(label),
  }));

/** What was observed, as it is called here: in a bay the kerb may be its head. */
export const seenAs = (what: Seen["what"], words: FinishWords): string =>
  what === "kerb touched" ? words.kerb_touches : named(what);

interface Props {
  noting: Jotting;
  words: FinishWords;
  kerbed: boolean;
  /** Where touches are observed one by one, movements alone are counted. */
  movements?: boolean;
}

export const Counts = ({ noting, words, kerbed, movements = false }: Props) => {
  const { draft, change } = noting;
  const counted = countsAt(words, kerbed).slice(0, movements ? 2 : undefined);
  return (
    <Paper sx={{ p: 1.25, display: "grid", gap: 0.5 }}>
      {counted.map(({ name, label }) => (
        <Box key={name} sx={{ display: "flex", alignItems: "center" }}>
          <Box sx={{ flex: 1, fontSize: 15 }}>{label}</Box>
          <Button
            aria-label={t("drive.one less", { label })}
            disabled={draft[name] === 0}
            onClick={() => oneLess(noting, name)}
            sx={{ minWidth: 44, minHeight: 44, fontSize: 20 }}
          >
            −
          </Button>
          <Box sx={{ width: 28, textAlign: "center", fontSize: 18, fontWeight: 700 }}>
            {draft[name]}
          </Box>
          <Button
            aria-label={t("drive.one more", { label })}
            onClick={() => change({ [name]: draft[name] + 1 })}
            sx={{ minWidth: 44, minHeight: 44, fontSize: 20 }}
          >
            +
          </Button>
        </Box>
      ))}
    </Paper>
  );
};
