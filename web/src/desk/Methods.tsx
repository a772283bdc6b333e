/** The school's methods: what each is for, and where it ends. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { PLACES } from "../places";
import { download } from "../shell/download";
import { useDates } from "../shell/useDates";
import { useChangeDocket } from "../shell/useDocket";
import { useGoalOf } from "../shell/useVocabulary";
import { ink } from "../theme";
import { t } from "../words";
import { Desk } from "./Desk";
import { Card, DocumentList, type Used } from "./lists/DocumentList";
import { PutAway } from "./lists/PutAway";
import { Uses } from "./lists/Uses";

const Methods = () => (
  <Desk title={t("desk.methods")}>
    <Typography color="text.secondary">{t("desk.methods are changed on cues")}</Typography>
    <DocumentList kind="method" none={t("desk.no method yet")}>
      {(method, use) => <Method method={method} use={use} />}
    </DocumentList>
  </Desk>
);

const Method = ({ method, use }: Used<"method">) => {
  const change = useChangeDocket();
  const dates = useDates();
  const goalOf = useGoalOf();
  const { name, body, number, created } = method.latest;
  return (
    <Card>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}>
        <Typography variant="h2">{name}</Typography>
        <Box sx={{ flex: 1, minWidth: 220, color: ink.soft }}>
          {t("desk.of a method", {
            ends: t(PLACES[goalOf(body)].ends),
            steps: body.steps.length,
            revision: number,
            changed: dates.stamp(created),
          })}
        </Box>
        {!method.away && (
          <Button onClick={() => change({ method: method.id }, ["ground", "standard"])}>
            {t("desk.put on the docket")}
          </Button>
        )}
        <Button onClick={() => download(`${name}.method.json`, body)}>{t("desk.export")}</Button>
        <PutAway document={method} name={name} />
      </Box>
      {body.why && <Typography>{body.why}</Typography>}
      <Uses use={use} />
    </Card>
  );
};

export default Methods;
