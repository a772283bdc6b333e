/** A cue of one's own, pointed out: in this pane or mirror this thing, past that mark. */

import Box from "@mui/material/Box";
import { useState } from "react";
import type { Pointed } from "../../api/types";
import { named, t } from "../../words";
import { Choice, same } from "./editing";

interface Props {
  /** Everything that shows there. */
  all: readonly Pointed[];
  picked: string | null;
  pick: (key: string) => void;
}

const NO_MARK = "";

const pastOf = ({ mark, part }: Pointed): string => {
  if (mark === null) return t("cues.past no mark");
  const words = { mark: named(mark), part: part && named(part) };
  return part ? t("cues.its part past mark", words) : t("cues.past mark", words);
};

export const PointOut = ({ all, picked, pick }: Props) => {
  const now = all.find((one) => one.key === picked);
  const [through, setThrough] = useState(now?.through ?? "");
  const [what, setWhat] = useState(now?.what ?? "");
  const inIt = all.filter((one) => one.through === through);
  const ofIt = inIt.filter((one) => one.what === what);
  const marks = Object.fromEntries(ofIt.map((one) => [one.key, pastOf(one)]));
  const unique = (names: string[]) => same([...new Set(names)]);
  return (
    <Box sx={{ display: "grid", gap: 1.25, pt: 1.5 }}>
      <Box sx={{ fontSize: 14, fontWeight: 700 }}>{t("cues.point one out")}</Box>
      <Choice
        label={t("cues.seen in")}
        value={through}
        choices={unique(all.map((one) => one.through))}
        choose={(chosen) => {
          setThrough(chosen);
          setWhat("");
        }}
      />
      {through && (
        <Choice
          label={t("cues.thing")}
          value={what}
          choices={unique(inIt.map((one) => one.what))}
          choose={setWhat}
        />
      )}
      {what && (
        <Choice
          label={t("cues.mark")}
          value={ofIt.some((one) => one.key === picked) ? (picked ?? NO_MARK) : NO_MARK}
          choices={marks}
          choose={pick}
        />
      )}
    </Box>
  );
};
