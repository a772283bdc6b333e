/** How well the school's people tape alike: of the same finishes, two at a time. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { agreementQuery } from "../api/queries";
import type { Agreement } from "../api/types";
import { Failure, Waiting } from "../shell/states";
import { finely, type Units } from "../shell/units";
import { useUnits } from "../shell/useDocket";
import { ink } from "../theme";
import { type Code, t } from "../words";

type Pair = Agreement["pairs"][number];

const WHAT: Record<Pair["what"], Code> = { wheel: "desk.wheels", gap: "desk.gaps" };

export const OurTapes = () => {
  const found = useQuery(agreementQuery);
  return (
    <Paper component="section" sx={{ p: 2, display: "grid", gap: 1.5 }}>
      <Typography variant="h2">{t("desk.how our tapes agree")}</Typography>
      {found.error && <Failure error={found.error} retry={() => void found.refetch()} />}
      {!found.data && !found.error && <Waiting />}
      {found.data && <Found told={found.data} />}
    </Paper>
  );
};

const Found = ({ told }: { told: Agreement }) => {
  const units = useUnits();
  if (told.attempts === 0) return <Typography>{t("desk.nothing taped twice")}</Typography>;
  const unsure = (Object.keys(WHAT) as Pair["what"][]).flatMap((what) => {
    const metres = told.one_reading_m[what];
    return metres === null
      ? []
      : [t("desk.one reading", { what: t(WHAT[what]), sigma: finely(metres, units) })];
  });
  return (
    <>
      <Typography>
        {t("desk.taped twice", { attempts: told.attempts, same: told.same_outcome })}
      </Typography>
      {unsure.length > 0 && (
        <Typography>
          <strong>{unsure.join(" · ")}</strong>{" "}
          {t("desk.assumed of a tape", { sigma: finely(told.assumed_m, units) })}
        </Typography>
      )}
      <Box sx={{ overflowX: "auto" }}>
        <Box component="table" sx={table}>
          <thead>
            <tr>
              <th>{t("desk.two people")}</th>
              <th>{t("desk.readings compared")}</th>
              <th>{t("desk.who reads more")}</th>
              <th>{t("desk.most differ by")}</th>
            </tr>
          </thead>
          <tbody>
            {told.pairs.map((pair) => (
              <tr key={`${pair.one}/${pair.other}/${pair.what}`}>
                <th scope="row">{t("desk.and", { one: pair.one, other: pair.other })}</th>
                <td>{t("desk.readings of", { count: pair.count, what: t(WHAT[pair.what]) })}</td>
                <td>{readsMore(pair, units)}</td>
                <td>{between(pair, units)}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      <Typography sx={{ fontSize: 13, color: ink.soft }}>{t("desk.how it is told")}</Typography>
    </>
  );
};

const readsMore = (pair: Pair, units: Units): string => {
  if (!pair.biased) return t("desk.neither for sure");
  const by = finely(Math.abs(pair.more_m), units);
  return t("desk.reads more", { who: pair.more_m > 0 ? pair.other : pair.one, by });
};

/** Where 95 % of the differences lie, the farther end of them. */
const between = ({ between_m, more_m }: Pair, units: Units): string =>
  between_m === null
    ? t("desk.too few to tell")
    : t("desk.up to", { by: finely(Math.abs(more_m) + between_m, units) });

const table = {
  width: "100%",
  borderCollapse: "collapse",
  fontSize: 15,
  "& th, & td": { textAlign: "left", p: 0.75, borderBottom: `1px solid ${ink.line}` },
  "& thead th": { color: ink.soft, fontWeight: 400 },
} as const;
