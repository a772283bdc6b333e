/** The school's places to practise. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { PLACES } from "../places";
import { download } from "../shell/download";
import { useDates } from "../shell/useDates";
import { useChangeDocket, useMay } from "../shell/useDocket";
import { NewPlace } from "../stations/ground/NewPlace";
import { ANSWERS } from "../stations/ground/PlaceCheck";
import { ink } from "../theme";
import { t } from "../words";
import { Desk } from "./Desk";
import { Card, DocumentList, type Used } from "./lists/DocumentList";
import { PutAway } from "./lists/PutAway";
import { Uses } from "./lists/Uses";

const Places = () => {
  const shapes = useMay().shape;
  return (
    <Desk title={t("desk.places")}>
      <DocumentList kind="ground" none={t("desk.no place yet")}>
        {(ground, use) => <Place ground={ground} use={use} />}
      </DocumentList>
      {shapes && <NewPlace />}
    </Desk>
  );
};

const Place = ({ ground, use }: Used<"ground">) => {
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
      <Box sx={{ fontSize: 14, ...(ground.suits !== "suits" && { color: ink.ochre }) }}>
        {t("ground.is this a place")} {t(ANSWERS[ground.suits])}.
      </Box>
      <Uses use={use} />
    </Card>
  );
};

export default Places;
