/** Movements and touches, counted up and down. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import type { FinishWords } from "../../places";
import { type Code, t } from "../../words";
import type { Jotting } from "./jotted";

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

interface Props {
  noting: Jotting;
  words: FinishWords;
  kerbed: boolean;
}

export const Counts = ({ noting: { draft, change }, words, kerbed }: Props) => (
  <Paper sx={{ p: 1.25, display: "grid", gap: 0.5 }}>
    {countsAt(words, kerbed).map(({ name, label }) => (
      <Box key={name} sx={{ display: "flex", alignItems: "center" }}>
        <Box sx={{ flex: 1, fontSize: 15 }}>{label}</Box>
        <Button
          aria-label={t("drive.one less", { label })}
          disabled={draft[name] === 0}
          onClick={() => change({ [name]: draft[name] - 1 })}
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
