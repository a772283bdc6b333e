/** All that a learner has driven: found by what it was driven with, when, and what it came to. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { allDocumentsQuery, type HistoryAsked, historyPath, historyQuery } from "../api/queries";
import type { Kind, PastAttempt } from "../api/types";
import { Desk } from "../desk/Desk";
import { Pages } from "../desk/lists/Pages";
import { HelpChoice } from "../learning/HelpChoice";
import { HELP, helpName } from "../learning/help";
import { OwnEye } from "../learning/OwnEye";
import { Choice } from "../shell/Choice";
import { cameTo } from "../shell/cameTo";
import { Failure, Waiting } from "../shell/states";
import { useDates } from "../shell/useDates";
import { useDocket } from "../shell/useDocket";
import { ink } from "../theme";
import { type Code, t } from "../words";
import { HistorySlab } from "./HistorySlab";

const LONG = 25;
const OUTCOMES = ["met", "met with small faults", "not met", "ended", "not taped"] as const;
const KINDS = [
  { kind: "method", label: "shell.method" },
  { kind: "ground", label: "shell.ground" },
  { kind: "vehicle", label: "lesson.vehicle" },
] as const satisfies readonly { kind: Kind; label: Code }[];

const DAYS = [
  { day: "since", label: "lesson.from day" },
  { day: "until", label: "lesson.to day" },
] as const satisfies readonly { day: string; label: Code }[];

/** What is looked for stands in the address, beside the docket and apart from it. */
const useAsked = () => {
  const [search, setSearch] = useSearchParams();
  const read = (name: string) => search.get(`of-${name}`) ?? "";
  const write = (name: string, value: string | null) =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        if (value) next.set(`of-${name}`, value);
        else next.delete(`of-${name}`);
        if (name !== "page") next.delete("of-page");
        return next;
      },
      { replace: true },
    );
  const asked: Omit<HistoryAsked, "learner"> = {};
  for (const { kind } of KINDS) if (Number(read(kind))) asked[kind] = Number(read(kind));
  for (const { day } of DAYS) if (read(day)) asked[day] = read(day);
  const outcome = OUTCOMES.find((one) => one === read("outcome"));
  if (outcome) asked.outcome = outcome;
  const help = HELP.find((one) => one === read("help"));
  if (help) asked.help = help;
  return { read, write, asked, page: Number(read("page")) || 0 };
};

const History = () => {
  const { learner } = useDocket();
  const { read, write, asked, page } = useAsked();
  const [pointed, setPointed] = useState<string | null>(null);
  const meant = { ...asked, learner: learner.id };
  const found = useQuery(historyQuery({ ...meant, limit: LONG, offset: page * LONG }));
  const list = {
    page,
    setPage: (number: number) => write("page", String(number)),
    pages: (count: number) => Math.ceil(count / LONG),
    asked: { search: "" },
  };
  return (
    <Desk title={t("lesson.history of", { name: learner.name })}>
      <Box role="search" sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
        {KINDS.map(({ kind, label }) => (
          <Chosen
            key={kind}
            kind={kind}
            label={t(label)}
            value={read(kind)}
            choose={(value) => write(kind, value)}
          />
        ))}
        <Choice
          label={t("lesson.came to")}
          value={asked.outcome ?? null}
          values={OUTCOMES}
          told={(one) => (one === "not taped" ? t("tape.not taped yet") : t(`names.${one}`))}
          none={t("lesson.any")}
          set={(value) => write("outcome", value)}
        />
        <HelpChoice
          help={asked.help}
          none={t("lesson.any")}
          set={(value) => write("help", value)}
          width={150}
        />
        {DAYS.map(({ day, label }) => (
          <TextField
            key={day}
            size="small"
            type="date"
            label={t(label)}
            value={read(day)}
            onChange={(e) => write(day, e.target.value)}
            sx={{ width: 150 }}
          />
        ))}
      </Box>
      <HistorySlab asked={meant} pointed={pointed} />
      <OwnEye learner={learner.id} />
      {found.error && <Failure error={found.error} retry={() => void found.refetch()} />}
      {!found.data && !found.error && <Waiting />}
      {found.data && (
        <>
          {found.data.items.length > 0 && (
            <Paper component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
              {found.data.items.map((one) => (
                <Row key={one.id} attempt={one} learner={learner.id} point={setPointed} />
              ))}
            </Paper>
          )}
          <Pages list={list} count={found.data.count} none={t("lesson.no such attempt")} />
          {found.data.count > 0 && (
            <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
              <Button variant="outlined" href={historyPath(meant)} download>
                {t("lesson.take along", { count: found.data.count })}
              </Button>
              <Button href="/api/history.csv-metadata.json" download>
                {t("lesson.its columns")}
              </Button>
            </Box>
          )}
        </>
      )}
    </Desk>
  );
};

interface ChosenProps {
  kind: Kind;
  label: string;
  value: string;
  choose: (value: string | null) => void;
}

const Chosen = ({ kind, label, value, choose }: ChosenProps) => {
  const { data = [] } = useQuery(allDocumentsQuery(kind));
  const names = new Map(data.map((one) => [String(one.id), one.latest.name]));
  return (
    <Choice
      label={label}
      value={names.has(value) ? value : null}
      values={[...names.keys()]}
      told={(id) => names.get(id) ?? id}
      none={t("lesson.any")}
      set={choose}
    />
  );
};

interface RowProps {
  attempt: PastAttempt;
  learner: number;
  /** Where it is on the drawing, as long as a hand is on it. */
  point: (attempt: string | null) => void;
}

const Row = ({ attempt, learner, point }: RowProps) => {
  const dates = useDates();
  const { observed, seconds } = attempt;
  return (
    <Box
      component="li"
      onPointerEnter={() => point(attempt.id)}
      onPointerLeave={() => point(null)}
      onFocus={() => point(attempt.id)}
      onBlur={() => point(null)}
      sx={{
        "@media (hover: hover)": { "&:hover": { background: ink.paper } },
        px: 2,
        py: 0.75,
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: 2,
        borderBottom: `1px solid ${ink.line}`,
      }}
    >
      <Box sx={{ width: 200 }}>{dates.stamp(attempt.started)}</Box>
      <Box sx={{ flex: 1, minWidth: 220 }}>
        <strong>{attempt.method}</strong>
        <Box sx={{ fontSize: 14, color: ink.soft }}>
          {[
            attempt.ground,
            attempt.vehicle,
            attempt.instructor,
            ...(attempt.help ? [helpName(attempt.help)] : []),
          ].join(" · ")}
        </Box>
      </Box>
      <Box sx={{ width: 190 }}>
        <strong>{cameTo(attempt)}</strong>
        <Box sx={{ fontSize: 14, color: ink.soft }}>
          {[
            t("tape.seconds", { value: Math.round(seconds) }),
            observed > 0 && t("lesson.observed", { count: observed }),
            attempt.by_eye && t("lesson.by eye"),
          ]
            .filter(Boolean)
            .join(" · ")}
        </Box>
      </Box>
      <Button
        component={Link}
        to={{
          pathname: "/tape",
          search: `learner=${learner}&sheet=${attempt.sheet_id}&attempt=${attempt.id}`,
        }}
      >
        {t("lesson.open")}
      </Button>
    </Box>
  );
};

export default History;
