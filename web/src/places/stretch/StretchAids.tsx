/** Along a kerb: what a small angle does over the run, and how to move sideways again. */

import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Trans } from "react-i18next";
import { driftQuery, rejoinQuery, shuffleQuery } from "../../api/queries";
import type { Docket, Metres, Shuffle, StretchGoal } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { Panel } from "../../shell/Panel";
import { degrees, hands, length, turns } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";

type Gear = "forward" | "reverse";
type Way = "toward" | "away";

export const StretchAids = ({ docket }: { docket: Docket }) => {
  const { goal } = docket.ground.body;
  if (goal.kind !== "stretch") return null;
  return (
    <>
      {docket.method.body.manoeuvre === "pull up opposite" && <Rejoin docket={docket} />}
      <Drift docket={docket} goal={goal} />
    </>
  );
};

const Drift = ({ docket, goal }: { docket: Docket; goal: StretchGoal }) => {
  const units = useUnits();
  const [sideways, setSideways] = useState<Metres>(0.15);
  const [gear, setGear] = useState<Gear>("reverse");
  const [way, setWay] = useState<Way>("away");
  const body = { vehicle: docket.vehicle.id, sideways_m: sideways, gear, way };
  const { data: drifts = [] } = useQuery(driftQuery(goal.run_m));
  const ways = useQuery({ ...shuffleQuery(body), placeholderData: keepPreviousData });
  return (
    <Panel
      label={t("places.drift and small angles")}
      title={t("places.drift over", { run: length(goal.run_m, units) })}
    >
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        {drifts.map(({ angle_deg, metres }) => (
          <span key={angle_deg}>
            <Trans
              i18nKey="places.drift at an angle"
              values={{ angle: degrees(angle_deg, 1), by: length(metres, units) }}
              components={{ b: <strong /> }}
            />
          </span>
        ))}
      </Box>
      <Typography variant="h2" sx={{ mt: 1.5 }}>
        {t("places.moving sideways")}
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", my: 1 }}>
        <LengthField
          label={t("places.sideways")}
          metres={sideways}
          width={110}
          onCommit={(metres) => metres !== null && setSideways(metres)}
        />
        <Pair value={gear} of={["forward", "reverse"]} name={t("places.gear")} choose={setGear} />
        <Pair value={way} of={["toward", "away"]} name={t("places.which way")} choose={setWay} />
      </Box>
      {ways.error ? (
        <Box role="alert" sx={{ color: ink.coralText }}>
          {ways.error.message}
        </Box>
      ) : (
        <Ways ways={ways.data ?? []} />
      )}
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t(way === "toward" ? "places.steer toward the kerb" : "places.steer away from it", {
          hands: hands(1, units),
        })}
      </Box>
    </Panel>
  );
};

interface PairProps<Value extends Gear | Way> {
  value: Value;
  of: readonly Value[];
  name: string;
  choose: (value: Value) => void;
}

const Pair = <Value extends Gear | Way>({ value, of, name, choose }: PairProps<Value>) => (
  <ToggleButtonGroup
    exclusive
    size="small"
    value={value}
    aria-label={name}
    onChange={(_, chosen) => chosen && choose(chosen)}
  >
    {of.map((one) => (
      <ToggleButton key={one} value={one}>
        {t(`names.${one}`)}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);

const Ways = ({ ways }: { ways: Shuffle[] }) => {
  const units = useUnits();
  if (!ways.length) return <Box>{t("places.too little for any")}</Box>;
  return (
    <Box
      component="table"
      sx={{
        width: "100%",
        borderCollapse: "collapse",
        fontSize: 14,
        "& td, & th": { textAlign: "right", borderTop: `1px solid ${ink.line}`, py: 0.25 },
        "& td:first-of-type, & th:first-of-type": { textAlign: "left" },
      }}
    >
      <thead>
        <tr>
          <th>{t("places.angle")}</th>
          <th>{t("places.wheel")}</th>
          <th>{t("places.rolled")}</th>
          <th>{t("places.other end swings")}</th>
        </tr>
      </thead>
      <tbody>
        {ways.map((one) => (
          <tr key={one.angle_deg}>
            <td>{degrees(one.angle_deg)}</td>
            <td>{turns(one.turns)}</td>
            <td>{length(one.metres, units)}</td>
            <td>{length(one.reach_m, units)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
};

/** Back to one's own side from the kerb opposite. */
const Rejoin = ({ docket }: { docket: Docket }) => {
  const units = useUnits();
  const { data } = useQuery(rejoinQuery(docket));
  if (!data) return null;
  return (
    <Panel
      label={t("places.rejoining")}
      title={t("places.rejoining across", { across: length(data.across_m, units) })}
    >
      <Ways ways={data.ways} />
      <Box sx={{ fontSize: 13, color: ink.soft, mt: 0.5 }}>
        {t("places.all round and over", { hands: hands(1, units) })}
      </Box>
    </Panel>
  );
};
