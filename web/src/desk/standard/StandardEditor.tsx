/** Changing a standard: its name, whose it is, of what day and from where, and every rule. */

import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import type { Entry, StandardBody } from "../../api/types";
import type { FinishWords } from "../../places";
import { Choice } from "../../shell/Choice";
import { NumberField } from "../../shell/NumberField";
import { ReviseBar } from "../../shell/ReviseBar";
import { SaveCopy } from "../../shell/SaveCopy";
import { useRevise } from "../../shell/useRevise";
import { t } from "../../words";
import { DrawRule } from "./DrawRule";
import { LimitRules } from "./LimitRules";
import { Preview } from "./Preview";
import { Part } from "./rule";
import { EndRules, LookRules, ObservedRules } from "./SeenRules";
import { Trial } from "./Trial";

interface Props {
  standard: Entry<"standard">;
  words: FinishWords;
}

export const StandardEditor = ({ standard, words }: Props) => {
  const draft = useRevise<StandardBody>(
    standard.latest as typeof standard.latest & {
      body: StandardBody;
    },
  );
  const body = inFull(draft.body);
  const edit = (part: Partial<StandardBody>) => draft.edit({ ...inFull(draft.latest()), ...part });
  const rules = { body, edit, words };
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Head body={body} edit={edit} />
      <LimitRules {...rules} />
      <LookRules {...rules} />
      <ObservedRules {...rules} />
      <EndRules {...rules} />
      <Allowed body={body} edit={edit} />
      <DrawRule body={body} edit={edit} />
      <Preview body={body} words={words} />
      <Trial document={standard.id} body={body} />
      <SaveCopy kind="standard" body={body} kept={draft.clear} />
      <ReviseBar revision={standard.latest} draft={draft} what="standard" />
    </Box>
  );
};

/** A draft that was begun before a standard had more than limits goes on with nothing of that. */
const inFull = (body: StandardBody): StandardBody => ({
  ...body,
  limits: body.limits.map((limit) => ({ ...LIMIT, ...limit })),
  looks: body.looks ?? [],
  observed: body.observed ?? [],
  at_end: body.at_end ?? [],
  source: body.source ?? "",
  points_allowed: body.points_allowed ?? null,
  mock: body.mock ?? null,
});

const LIMIT = { phase: null, each: false, points: 1, passed: null };

interface PartProps {
  body: StandardBody;
  edit: (part: Partial<StandardBody>) => void;
}

const Head = ({ body, edit }: PartProps) => {
  const text = (key: "name" | "authority" | "dated" | "source", label: string, more: object) => (
    <TextField
      size="small"
      label={label}
      value={body[key]}
      onChange={(e) => edit({ [key]: e.target.value })}
      {...more}
    />
  );
  const third = { sx: { flex: 1, minWidth: 180 } };
  return (
    <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
      {text("name", t("desk.persons name"), third)}
      {text("authority", t("desk.authority"), third)}
      {text("dated", t("desk.dated"), { type: "date", ...third })}
      {text("source", t("judging.source"), {
        multiline: true,
        fullWidth: true,
        helperText: t("judging.source in words"),
      })}
    </Box>
  );
};

/** What still meets the standard: so many small faults, or so many points. */
const Allowed = ({ body, edit }: PartProps) => (
  <Part title={t("judging.what is allowed")}>
    <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
      <Choice
        label={t("judging.small faults are")}
        value={body.points_allowed === null ? "counted" : "points"}
        values={["counted", "points"]}
        told={(one) => t(one === "points" ? "judging.by points" : "judging.by number")}
        set={(one) => edit({ points_allowed: one === "points" ? 12 : null })}
        width={210}
      />
      {body.points_allowed === null ? (
        <NumberField
          label={t("desk.small faults allowed")}
          value={body.small_allowed}
          width={170}
          onCommit={(small_allowed) => edit({ small_allowed })}
        />
      ) : (
        <NumberField
          label={t("judging.points allowed")}
          value={body.points_allowed}
          width={170}
          onCommit={(points_allowed) => edit({ points_allowed })}
        />
      )}
    </Box>
  </Part>
);
