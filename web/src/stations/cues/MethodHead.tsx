/** What a method is called and for, how quick its hands are, and where it starts. */

import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import type { MethodBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { TurnsPer } from "../../shell/TurnsPer";
import { useGoalOf, useVocabulary } from "../../shell/useVocabulary";
import { t } from "../../words";
import { Choice, Fitted, same } from "./editing";
import { FitRange } from "./FitRange";
import { isFitted, named } from "./methodSteps";

interface Props {
  body: MethodBody;
  edit: (body: MethodBody) => void;
}

type Start = MethodBody["start"];

export const MethodHead = ({ body, edit }: Props) => {
  const vocabulary = useVocabulary();
  const place = vocabulary.places[useGoalOf()(body)];
  const { start } = body;
  const set = (part: Partial<Start>) => edit({ ...body, start: { ...start, ...part } });
  return (
    <Box sx={{ display: "grid", gap: 1.25, py: 1 }}>
      <TextField
        size="small"
        label={t("cues.name of the method")}
        value={body.name}
        onChange={(e) => edit({ ...body, name: e.target.value })}
      />
      <TextField
        size="small"
        multiline
        label={t("cues.what it is for")}
        value={body.why}
        onChange={(e) => edit({ ...body, why: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 2000 } }}
      />
      <TurnsPer
        label={t("cues.how quick the hands are")}
        turns={body.turns_per_metre}
        onCommit={(turns_per_metre) => edit({ ...body, turns_per_metre })}
      />
      <Box role="group" aria-label={t("cues.where it starts")} sx={{ display: "grid", gap: 1.25 }}>
        <Box sx={{ display: "flex", gap: 1 }}>
          <Choice
            label={t("cues.start with")}
            value={start.own}
            choices={same(vocabulary.own_points)}
            choose={(own) => set({ own: own as Start["own"] })}
          />
          <Choice
            label={t("cues.start at")}
            value={start.landmark}
            choices={same([...new Set([...(place?.landmarks ?? []), start.landmark])])}
            choose={(landmark) => set({ landmark: landmark as Start["landmark"] })}
          />
        </Box>
        {(["metres", "gap_m"] as const).map((key) => {
          const figure = start[key];
          const what = key === "metres" ? t("cues.start past it by") : t("cues.start gap beside");
          return (
            <Fitted
              key={key}
              what={what}
              fitted={isFitted(figure)}
              fit={() => set({ [key]: named(body, vocabulary.fitted.metres) })}
              fix={() => typeof figure === "object" && set({ [key]: figure.prefer_m })}
            >
              <LengthField
                label={what}
                metres={typeof figure === "number" ? figure : null}
                onCommit={(metres) => metres !== null && set({ [key]: metres })}
              />
            </Fitted>
          );
        })}
        {(["metres", "gap_m"] as const).map((key) => {
          const figure = start[key];
          return (
            typeof figure === "object" && (
              <FitRange
                key={key}
                fit={figure}
                what={key === "metres" ? t("cues.start past it by") : t("cues.start gap beside")}
                set={(fit) => set({ [key]: fit })}
              />
            )
          );
        })}
      </Box>
    </Box>
  );
};
