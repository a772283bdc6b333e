/** Two methods side by side for this docket: ground, windows, room, movements. */

import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { inTheWay } from "../../api/client";
import { leastSizesQuery, NO_OPTIONS, planQuery } from "../../api/queries";
import type { Plan } from "../../api/types";
import { finishWords } from "../../places";
import { LEAST, leastOf } from "../../places/leastWords";
import { MethodPicture } from "../../shell/MethodPicture";
import { Failure, Waiting } from "../../shell/states";
import { Term } from "../../shell/Term";
import { length, type Units } from "../../shell/units";
import { useDocket, useUnits } from "../../shell/useDocket";
import { useLongWork } from "../../shell/useLongWork";
import { type MethodChoice, useMethods } from "../../shell/useMethods";
import { useVocabulary } from "../../shell/useVocabulary";
import { Working } from "../../shell/Working";
import { ink } from "../../theme";
import { t } from "../../words";

const Compare = () => {
  const methods = useMethods().filter((method) => method.suits);
  const docket = useDocket();
  const [other, setOther] = useState<number | null>(null);
  const [mine, setMine] = useState(docket.method.document_id);
  const left = methods.find((s) => s.id === mine);
  const right = methods.find((s) => s.id === (other ?? methods.find((x) => x.id !== mine)?.id));
  if (!left || !right) return <Waiting />;
  return (
    <Box sx={{ display: "grid", gap: 1.5, minWidth: 0 }}>
      <Typography variant="h1">{t("compare.two methods this docket")}</Typography>
      <Box sx={{ display: "grid", gap: 1.5, gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)" }}>
        <Column name={t("compare.first method")} method={left} methods={methods} choose={setMine} />
        <Column
          name={t("compare.second method")}
          method={right}
          methods={methods}
          choose={setOther}
        />
      </Box>
      <Typography sx={{ fontSize: 13, color: ink.soft }}>
        {t("compare.computed for the car place")}
      </Typography>
    </Box>
  );
};

interface ColumnProps {
  name: string;
  method: MethodChoice;
  methods: MethodChoice[];
  choose: (id: number) => void;
}

const Column = ({ name, method, methods, choose }: ColumnProps) => (
  <Paper component="section" aria-label={name} sx={{ p: 1.5, display: "grid", gap: 1.5 }}>
    <TextField
      select
      size="small"
      label={name}
      value={method.id}
      onChange={(e) => choose(Number(e.target.value))}
    >
      {methods.map((s) => (
        <MenuItem key={s.id} value={s.id} sx={{ minHeight: 44 }}>
          {s.name}
        </MenuItem>
      ))}
    </TextField>
    <Box sx={{ height: 300 }}>
      <MethodPicture method={method} />
    </Box>
    <Figures method={method} />
  </Paper>
);

const Figures = ({ method }: { method: MethodChoice }) => {
  const units = useUnits();
  const planned = useQuery(planQuery(method.docket, NO_OPTIONS));
  const plan = planned.data;
  const tightens = useVocabulary().places[method.goal]?.tightens ?? false;
  const least = useLongWork(leastSizesQuery(method.docket), tightens);
  const failed = inTheWay(planned);
  if (failed) return <Failure error={failed} retry={() => void planned.refetch()} />;
  if (!plan) return <Waiting />;
  const sizes = least.found?.map((size): Row => [t(LEAST[size.what]), leastOf(size, units)]) ?? [];
  const rows: Row[] = plan.feasible
    ? figuresOf(plan, method, units)
    : [[t("compare.cannot be driven here"), plan.reason.said.text]];
  return (
    <div>
      <Box
        component="table"
        sx={{
          width: 1,
          borderCollapse: "collapse",
          "& td": { borderTop: `1px solid ${ink.line}`, py: 0.75, verticalAlign: "top" },
          "& td:last-of-type": { fontWeight: 700, textAlign: "right" },
        }}
      >
        <tbody>
          {[...rows, ...sizes].map(([name, said, means]) => (
            <tr key={name}>
              <td>{means ? <Term means={means}>{name}</Term> : name}</td>
              <td>{said}</td>
            </tr>
          ))}
        </tbody>
      </Box>
      <Working work={least} what={t("compare.least room that it can")} />
    </div>
  );
};

/** What it is, how much, and where it needs it what that means. */
type Row = readonly [name: string, said: string, means?: string];

const figuresOf = (plan: Plan, method: MethodChoice, units: Units): Row[] => {
  const { totals, finish, calls } = plan;
  const along = `${totals.along}_m` as const;
  const words = finishWords(method.docket.ground.body.goal, method.body);
  return [
    [t("compare.movements"), String(totals.movements), t("terms.movement")],
    [t("compare.calls to get right"), String(calls.length)],
    [
      t("compare.narrowest window"),
      totals.narrowest_m === null
        ? t("compare.no call")
        : t("compare.call", {
            window: length(totals.narrowest_m, units),
            number: totals.narrowest_call,
          }),
      t("terms.window"),
    ],
    [t("compare.calls that do not show"), totals.unseen == null ? "–" : String(totals.unseen)],
    [t("compare.swings out"), length(totals.swings_out_m, units)],
    [
      t("compare.nearest to what stands there"),
      totals.nearest_m === null ? t("compare.nothing does") : length(totals.nearest_m, units),
    ],
    [t("compare.rolled in all"), length(totals.rolled_m, units)],
    ...(finish[along] === null ? [] : [[words[along], length(finish[along], units)] as const]),
  ];
};

export default Compare;
