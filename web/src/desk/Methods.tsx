/** The school's methods: what each is for, and where it ends. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Entry } from "../api/types";
import { PLACES } from "../places";
import { download } from "../shell/download";
import { useDates } from "../shell/useDates";
import { useChangeDocket } from "../shell/useDocket";
import { useGoalOf } from "../shell/useVocabulary";
import { ink } from "../theme";
import { t } from "../words";
import { Desk } from "./Desk";
import { Card, DocumentList } from "./lists/DocumentList";
import { PutAway } from "./lists/PutAway";

const Methods = () => (
  <Desk title={t("desk.methods")}>
    <Typography color="text.secondary">{t("desk.methods are changed on cues")}</Typography>
    <DocumentList kind="method" none={t("desk.no method yet")}>
      {(method) => <Method method={method} />}
    </DocumentList>
  </Desk>
);

const Method = ({ method }: { method: Entry<"method"> }) => {
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
    </Card>
  );
};

export default Methods;
