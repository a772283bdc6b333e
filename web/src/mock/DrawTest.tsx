/** Drawing a mock test: by which standard's rule, and from which of the learner's sheets. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Paper from "@mui/material/Paper";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { ask } from "../api/client";
import { allDocumentsQuery, mockPoolQuery } from "../api/queries";
import type { Entry, StandardBody } from "../api/types";
import { Choice } from "../shell/Choice";
import { Waiting } from "../shell/states";
import { useDocket } from "../shell/useDocket";
import { ink } from "../theme";
import { named, t } from "../words";

export const DrawTest = () => {
  const { search } = useLocation();
  const standards = useQuery(allDocumentsQuery("standard"));
  const [chosen, setChosen] = useState<string | null>(null);
  if (!standards.data) return <Waiting />;
  const ruled = standards.data.filter((one) => ruleOf(one));
  const standard = ruled.find((one) => String(one.id) === chosen) ?? ruled[0];
  return (
    <Paper
      component="section"
      aria-label={t("mock.draw one")}
      sx={{ p: 2, display: "grid", gap: 1.5, justifyItems: "start" }}
    >
      <Box component="h2" sx={{ fontSize: 18, m: 0 }}>
        {t("mock.draw one")}
      </Box>
      {standard ? (
        <>
          <Choice
            label={t("mock.by the rule of")}
            value={String(standard.id)}
            values={ruled.map((one) => String(one.id))}
            told={(id) => ruled.find((one) => String(one.id) === id)?.latest.name ?? id}
            set={setChosen}
            width={280}
          />
          <Pool key={standard.id} standard={standard} />
        </>
      ) : (
        <>
          <Box>{t("mock.no standard has a rule")}</Box>
          <Button component={Link} to={{ pathname: "/standards", search }} variant="outlined">
            {t("mock.to the standards")}
          </Button>
        </>
      )}
    </Paper>
  );
};

const ruleOf = (standard: Entry<"standard">): StandardBody["mock"] => standard.latest.body.mock;

const Pool = ({ standard }: { standard: Entry<"standard"> }) => {
  const client = useQueryClient();
  const { learner } = useDocket();
  const rule = ruleOf(standard);
  const pool = useQuery(mockPoolQuery({ learner: learner.id, standard: standard.id }));
  const [left, setLeft] = useState<readonly number[]>([]);
  const start = useMutation({
    mutationFn: (sheets: number[]) =>
      ask.post("/api/mock-tests", {
        body: { learner: learner.id, standard: standard.id, sheets },
      }),
    onSuccess: () => client.invalidateQueries({ queryKey: ["attempts"] }),
  });
  if (pool.error) return <Alert severity="error">{pool.error.message}</Alert>;
  if (!pool.data || !rule) return <Waiting />;
  const chosen = pool.data.filter((one) => !left.includes(one.sheet_id));
  return (
    <>
      <Box sx={{ fontSize: 14, color: ink.soft }}>
        {t("mock.so many of", {
          number: rule.number,
          reverse: rule.in_reverse,
          list: rule.of.map(named).join(", "),
        })}
      </Box>
      {pool.data.length === 0 ? (
        <Box>{t("mock.no sheet to draw from", { name: learner.name })}</Box>
      ) : (
        <Box role="group" aria-label={t("mock.drawn from")}>
          {pool.data.map((one) => (
            <FormControlLabel
              key={one.sheet_id}
              control={
                <Checkbox
                  checked={!left.includes(one.sheet_id)}
                  onChange={(_, on) =>
                    setLeft(on ? left.filter((id) => id !== one.sheet_id) : [...left, one.sheet_id])
                  }
                />
              }
              label={t(one.reverse ? "mock.sheet in reverse" : "mock.sheet", {
                method: one.method,
                ground: one.ground,
                vehicle: one.vehicle,
              })}
              sx={{ display: "flex", minHeight: 44 }}
            />
          ))}
        </Box>
      )}
      {start.error && <Alert severity="error">{start.error.message}</Alert>}
      <Button
        variant="contained"
        sx={{ minHeight: 48 }}
        disabled={chosen.length === 0}
        loading={start.isPending}
        onClick={() => start.mutate(chosen.map((one) => one.sheet_id))}
      >
        {t("mock.draw it")}
      </Button>
    </>
  );
};
