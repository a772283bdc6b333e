/** One mock test: its exercises in order, what each came to, and the one result. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { ask } from "../api/client";
import type { MockTest } from "../api/types";
import { OUTCOMES } from "../judging/outcomes";
import { useDates } from "../shell/useDates";
import { ink } from "../theme";
import { named, t } from "../words";
import { nextOf, numberOf } from "./underWay";

interface Props {
  test: MockTest;
  /** Whether it is being driven, by whoever may. */
  open: boolean;
}

export const TestCard = ({ test, open }: Props) => {
  const dates = useDates();
  return (
    <Paper
      component="section"
      aria-label={t("mock.test of", { at: dates.moment(test.started) })}
      sx={{ p: 2, display: "grid", gap: 1 }}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "baseline" }}>
        <Box component="h2" sx={{ fontSize: 18, m: 0 }}>
          {t("mock.test of", { at: dates.moment(test.started) })}
        </Box>
        <Box sx={{ flex: 1, minWidth: 220, color: ink.soft, fontSize: 14 }}>
          {t("mock.by whom", {
            standard: test.standard,
            dated: dates.day(test.dated),
            name: test.instructor,
          })}
        </Box>
        <Button component="a" href={`/api/mock-tests/${test.id}/sheet`} target="_blank">
          {t("mock.sheet for the learner")}
        </Button>
      </Box>
      <Result test={test} />
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {test.exercises.map((_, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the same sheet may be drawn twice
          <Exercise key={i} test={test} index={i} open={open} />
        ))}
      </Box>
      {open && <GiveUp test={test} />}
    </Paper>
  );
};

const Result = ({ test }: { test: MockTest }) => {
  const { so_far, outcome } = test;
  const decided = outcome !== null;
  return (
    <Box role="status" sx={{ display: "grid", gap: 0.5 }}>
      <Box
        sx={{
          fontSize: 22,
          fontWeight: 700,
          color: decided && so_far ? (so_far.met ? ink.teal : ink.coralText) : ink.ink,
        }}
      >
        {decided
          ? t(OUTCOMES[outcome])
          : test.given_up
            ? t("mock.given up", { because: test.given_up_because })
            : t("mock.still to drive", { count: test.left })}
      </Box>
      {so_far && (
        <Box sx={{ fontSize: 14 }}>
          {t(test.small_allowed === null ? "mock.over the whole" : "mock.over the whole of", {
            small: so_far.small,
            serious: so_far.serious,
            allowed: test.small_allowed ?? 0,
          })}
          {test.points_allowed !== null &&
            ` ${t("judging.because points", {
              points: so_far.points,
              allowed: test.points_allowed,
            })}`}
          {so_far.repeated.length > 0 &&
            ` ${t("mock.repeated", { what: so_far.repeated.map(named).join(", ") })}`}
          {!so_far.whole && ` ${t("mock.not all watched")}`}
        </Box>
      )}
    </Box>
  );
};

const Exercise = ({ test, index, open }: { test: MockTest; index: number; open: boolean }) => {
  const one = test.exercises[index];
  if (!one) return null;
  const address = `learner=${test.learner_id}&sheet=${one.sheet_id}`;
  const next = open && nextOf(test) === index;
  return (
    <Box
      component="li"
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: 2,
        rowGap: 0.5,
        py: 0.75,
        borderTop: `1px solid ${ink.line}`,
      }}
    >
      <Box sx={{ width: 24, fontWeight: 700 }}>{one.cancelled ? "" : numberOf(test, index)}</Box>
      <Box sx={{ flex: 1, minWidth: 220, color: one.cancelled ? ink.soft : undefined }}>
        <strong>{one.method}</strong>
        <Box sx={{ fontSize: 14, color: ink.soft }}>{`${one.ground} · ${one.vehicle}`}</Box>
      </Box>
      <Box sx={{ minWidth: 180 }}>{cameTo(one)}</Box>
      {one.attempt_id && (
        <Button component={Link} to={`/tape?${address}&attempt=${one.attempt_id}`}>
          {t("lesson.open")}
        </Button>
      )}
      {next && (
        <Button component={Link} to={`/drive?${address}`} variant="contained">
          {t("mock.drive it")}
        </Button>
      )}
      {open && !one.cancelled && one.attempt_id === null && <Cancel test={test} index={index} />}
    </Box>
  );
};

const cameTo = (one: MockTest["exercises"][number]): string => {
  if (one.cancelled) return t("mock.cancelled", { because: one.cancelled });
  if (one.outcome === null) return t(one.attempt_id ? "tape.not taped yet" : "mock.not driven yet");
  const faults =
    one.points === null
      ? t("mock.faults", { small: one.small ?? 0, serious: one.serious ?? 0 })
      : t("mock.points", { points: one.points, serious: one.serious ?? 0 });
  return `${t(`names.${one.outcome}`)} · ${faults}`;
};

/** Why something does not take place is asked for before it does not. */
const Because = ({
  label,
  done,
  work,
}: {
  label: string;
  done: string;
  work: (because: string) => Promise<unknown>;
}) => {
  const client = useQueryClient();
  const [because, setBecause] = useState<string | null>(null);
  const doing = useMutation({
    mutationFn: work,
    onSuccess: async () => {
      setBecause(null);
      await client.invalidateQueries({ queryKey: ["attempts"] });
    },
  });
  if (because === null)
    return (
      <Button sx={{ minHeight: 44 }} onClick={() => setBecause("")}>
        {label}
      </Button>
    );
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
      <TextField
        size="small"
        label={t("mock.why")}
        value={because}
        onChange={(e) => setBecause(e.target.value)}
        sx={{ width: 240 }}
      />
      <Button
        variant="outlined"
        disabled={!because.trim()}
        loading={doing.isPending}
        onClick={() => doing.mutate(because.trim())}
      >
        {done}
      </Button>
      <Button onClick={() => setBecause(null)}>{t("mock.leave it")}</Button>
      {doing.error && <Alert severity="error">{doing.error.message}</Alert>}
    </Box>
  );
};

const Cancel = ({ test, index }: { test: MockTest; index: number }) => (
  <Because
    label={t("mock.cannot take place")}
    done={t("mock.draw another")}
    work={(because) =>
      ask.post("/api/mock-tests/{test_id}/cancel", {
        params: { path: { test_id: test.id } },
        body: { exercise: index, because },
      })
    }
  />
);

const GiveUp = ({ test }: { test: MockTest }) => (
  <Box>
    <Because
      label={t("mock.give up")}
      done={t("mock.give it up")}
      work={(because) =>
        ask.post("/api/mock-tests/{test_id}/give-up", {
          params: { path: { test_id: test.id } },
          body: { because },
        })
      }
    />
  </Box>
);
