/** The school's places to practise. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Entry } from "../api/types";
import { PLACES } from "../places";
import { download } from "../shell/download";
import { useDates } from "../shell/useDates";
import { useChangeDocket, useMay } from "../shell/useDocket";
import { NewPlace } from "../stations/ground/NewPlace";
import { ink } from "../theme";
import { t } from "../words";
import { Desk } from "./Desk";
import { Card, DocumentList } from "./lists/DocumentList";
import { PutAway } from "./lists/PutAway";

const Places = () => {
  const shapes = useMay().shape;
  return (
    <Desk title={t("desk.places")}>
      <DocumentList kind="ground" none={t("desk.no place yet")}>
        {(ground) => <Place ground={ground} />}
      </DocumentList>
      {shapes && <NewPlace />}
    </Desk>
  );
};

const Place = ({ ground }: { ground: Entry<"ground"> }) => {
  const change = useChangeDocket();
  const dates = useDates();
  const { name, body, number, created } = ground.latest;
  return (
    <Card>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}>
        <Typography variant="h2">{name}</Typography>
        <Box sx={{ flex: 1, minWidth: 220, color: ink.soft }}>
          {t("desk.of a place", {
            kind: t(PLACES[body.goal.kind].ends),
            revision: number,
            changed: dates.stamp(created),
          })}
        </Box>
        {!ground.away && (
          <Button onClick={() => change({ ground: ground.id })}>
            {t("desk.put on the docket")}
          </Button>
        )}
        <Button onClick={() => download(`${name}.ground.json`, body)}>{t("desk.export")}</Button>
        <PutAway document={ground} name={name} />
      </Box>
    </Card>
  );
};

export default Places;
