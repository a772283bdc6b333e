/** A change of a standard tried on what was judged by it so far: how many would have passed. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { Link } from "react-router";
import { ask } from "../../api/client";
import type { components } from "../../api/schema";
import type { StandardBody } from "../../api/types";
import { OUTCOMES } from "../../judging/outcomes";
import { useDates } from "../../shell/useDates";
import { ink } from "../../theme";
import { t } from "../../words";
import { Part } from "./rule";

type Tried = components["schemas"]["TrialOut"];

interface Props {
  document: number;
  body: StandardBody;
}

export const Trial = ({ document, body }: Props) => {
  const trial = useMutation({
    mutationFn: (asked: StandardBody) =>
      ask.post("/api/standards/{document_id}/trial", {
        params: { path: { document_id: document } },
        body: { body: { ...asked } },
      }),
  });
  const stale = trial.data && trial.variables !== body;
  return (
    <Part title={t("judging.past attempts")}>
      <Box sx={{ fontSize: 14, color: ink.soft }}>{t("judging.a trial keeps nothing")}</Box>
      <Button
        variant="outlined"
        loading={trial.isPending}
        onClick={() => trial.mutate(body)}
        sx={{ justifySelf: "start", minHeight: 44 }}
      >
        {t("judging.try it on past attempts")}
      </Button>
      {trial.error && <Alert severity="error">{trial.error.message}</Alert>}
      {stale && <Alert severity="info">{t("judging.changed since the trial")}</Alert>}
      {trial.data && !stale && <Outcome tried={trial.data} />}
    </Part>
  );
};

const Outcome = ({ tried }: { tried: Tried }) => {
  if (tried.attempts === 0)
    return <Box role="status">{t("judging.no attempt was judged by it")}</Box>;
  return (
    <Box role="status" sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ fontSize: 18, fontWeight: 700 }}>
        {t("judging.would have met", {
          attempts: tried.attempts,
          before: tried.met_before,
          after: tried.met_after,
        })}
      </Box>
      {tried.older > 0 && <Box>{t("judging.older were not tried", { count: tried.older })}</Box>}
      <Counts tried={tried} />
      {tried.told.length > 0 && <Otherwise tried={tried} />}
    </Box>
  );
};

const Counts = ({ tried }: { tried: Tried }) => (
  <Box component="table" sx={table}>
    <thead>
      <tr>
        <th>{t("judging.verdict")}</th>
        <th>{t("judging.as it was")}</th>
        <th>{t("judging.as changed")}</th>
      </tr>
    </thead>
    <tbody>
      {(Object.keys(OUTCOMES) as (keyof typeof OUTCOMES)[]).map((outcome) => (
        <tr key={outcome}>
          <td>{t(OUTCOMES[outcome])}</td>
          <td>{tried.before[outcome] ?? 0}</td>
          <td>{tried.after[outcome] ?? 0}</td>
        </tr>
      ))}
    </tbody>
  </Box>
);

/** Which attempts it says otherwise of; each opens on its tape. */
const Otherwise = ({ tried }: { tried: Tried }) => {
  const dates = useDates();
  return (
    <>
      <Box component="h4" sx={{ fontSize: 14, m: 0 }}>
        {t("judging.otherwise", { count: tried.otherwise })}
      </Box>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none", fontSize: 14 }}>
        {tried.told.map((one) => (
          <Box
            component="li"
            key={one.id}
            sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}
          >
            <Box
              component={Link}
              to={`/tape?learner=${one.learner_id}&sheet=${one.sheet_id}&attempt=${one.id}`}
              sx={{ py: 1, minWidth: 220 }}
            >
              {t("judging.of whom and when", {
                learner: one.learner,
                at: dates.moment(one.started),
              })}
            </Box>
            {t("judging.from to", {
              before: t(`names.${one.before}`),
              after: t(`names.${one.after}`),
            })}
          </Box>
        ))}
      </Box>
      {tried.otherwise > tried.told.length && (
        <Box sx={{ fontSize: 13, color: ink.soft }}>
          {t("judging.the newest of them", { count: tried.told.length })}
        </Box>
      )}
    </>
  );
};

const table = {
  borderCollapse: "collapse",
  fontSize: 14,
  justifySelf: "start",
  "& td, & th": { textAlign: "left", py: 0.5, pr: 3, borderTop: `1px solid ${ink.line}` },
} as const;
