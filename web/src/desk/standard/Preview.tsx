/** A standard tried on figures and events that somebody types: this verdict, because. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ask } from "../../api/client";
import type { StandardBody } from "../../api/types";
import { measureName } from "../../judging/measures";
import { OUTCOMES } from "../../judging/outcomes";
import { becauseText, lookName, observedName, phased } from "../../judging/said";
import { VerdictLines } from "../../judging/VerdictLines";
import type { FinishWords } from "../../places";
import { Choice } from "../../shell/Choice";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { ink } from "../../theme";
import { capital, named, t } from "../../words";
import { Part } from "./rule";
import { askedOf, type Field, fieldsOf, mayBeOpen, type Tried, toldOf } from "./tried";

interface Props {
  body: StandardBody;
  words: FinishWords;
}

export const Preview = ({ body, words }: Props) => {
  const [tried, setTried] = useState<Tried>({});
  const asked = askedOf(body, tried);
  const verdict = useQuery({
    queryKey: ["judged", asked],
    queryFn: ({ signal }) => ask.post("/api/standards/judge", { body: asked, signal }),
    placeholderData: keepPreviousData,
    retry: false,
  });
  return (
    <Part title={t("judging.try it")}>
      <Box sx={{ fontSize: 14, color: ink.soft }}>{t("judging.what is tried")}</Box>
      <Box
        sx={{
          display: "grid",
          gap: 2,
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) minmax(0, 1fr)" },
          alignItems: "start",
        }}
      >
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
          {fieldsOf(body).map((field) => (
            <Told
              key={field.key}
              field={field}
              value={toldOf(tried, field)}
              set={(value) => setTried({ ...tried, [field.key]: value })}
              words={words}
            />
          ))}
          <Button disabled={Object.keys(tried).length === 0} onClick={() => setTried({})}>
            {t("judging.all in order again")}
          </Button>
        </Box>
        <Paper variant="outlined" role="status" sx={{ p: 1.5, borderColor: ink.line }}>
          {verdict.error ? (
            <Alert severity="error">{verdict.error.message}</Alert>
          ) : (
            verdict.data && (
              <>
                <Box
                  sx={{
                    fontSize: 20,
                    fontWeight: 700,
                    color: verdict.data.met ? ink.teal : ink.coralText,
                  }}
                >
                  {t(OUTCOMES[verdict.data.outcome])}
                </Box>
                <Box sx={{ fontSize: 14, mb: 0.5 }}>{becauseText(verdict.data)}</Box>
                <VerdictLines
                  findings={verdict.data.findings}
                  outcome={verdict.data.outcome}
                  words={words}
                />
              </>
            )
          )}
        </Paper>
      </Box>
    </Part>
  );
};

interface ToldProps {
  field: Field;
  value: number | string | null;
  set: (value: number | string | null) => void;
  words: FinishWords;
}

const BECAME = ["done", "late", "missed", "prompted"] as const;
const WIDE = 190;

/** One figure or event; empty, it was not noted. */
const Told = ({ field, value, set, words }: ToldProps) => {
  const none = t("tape.not noted");
  if (field.kind === "look")
    return (
      <Choice
        label={phased(lookName(field.rule.look), field.rule.phase)}
        value={value as (typeof BECAME)[number] | null}
        values={BECAME}
        told={(one) => t(`names.${one}`)}
        none={none}
        set={set}
        width={WIDE}
      />
    );
  if (field.kind === "so")
    return (
      <Choice
        label={capital(named(field.what))}
        value={value as "yes" | "no" | null}
        values={["yes", "no"]}
        told={(one) => t(`names.${one}`)}
        none={none}
        set={set}
        width={WIDE}
      />
    );
  const label = labelOf(field, words);
  const figure = typeof value === "number" ? value : null;
  return field.kind === "figure" && field.measure.endsWith("_m") ? (
    <LengthField label={label} metres={figure} bare="cm" optional width={WIDE} onCommit={set} />
  ) : (
    <NumberField
      label={label}
      value={figure}
      optional={mayBeOpen(field)}
      width={WIDE}
      onCommit={set}
    />
  );
};

const labelOf = (
  field: Exclude<Field, { kind: "look" } | { kind: "so" }>,
  words: FinishWords,
): string => {
  if (field.kind === "planned") return t("judging.movements of the method");
  if (field.kind === "times") return capital(observedName(field.rule, words));
  const name = measureName(field.measure, words);
  if (field.kind === "looks") return phased(name, field.phase);
  const unit = field.measure.endsWith("_deg") ? ", °" : field.measure === "seconds" ? ", s" : "";
  return name + unit;
};
