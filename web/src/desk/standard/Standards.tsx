/** The school's standards: its own figures, dated, whole. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { PLACES } from "../../places";
import { download } from "../../shell/download";
import { useDates } from "../../shell/useDates";
import { useMay } from "../../shell/useDocket";
import { useGoalOf } from "../../shell/useVocabulary";
import { ink } from "../../theme";
import { t } from "../../words";
import { Desk } from "../Desk";
import { Card, DocumentList, type Used } from "../lists/DocumentList";
import { PutAway } from "../lists/PutAway";
import { Uses } from "../lists/Uses";
import { Preview } from "./Preview";
import { Rules } from "./Rules";
import { StandardEditor } from "./StandardEditor";

const Standards = () => (
  <Desk title={t("desk.standards")}>
    <Typography color="text.secondary">{t("desk.standards differ by country")}</Typography>
    <DocumentList kind="standard" none={t("desk.no standard yet")}>
      {(standard, use) => <Standard standard={standard} use={use} />}
    </DocumentList>
  </Desk>
);

const Standard = ({ standard, use }: Used<"standard">) => {
  const goalOf = useGoalOf();
  const dates = useDates();
  const shapes = useMay().shape;
  const [editing, setEditing] = useState(false);
  const [trying, setTrying] = useState(false);
  const { body } = standard.latest;
  const words = PLACES[goalOf(body)].words(null, body.manoeuvre);
  return (
    <Card>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}>
        <Typography variant="h2">{body.name}</Typography>
        <Box sx={{ flex: 1, minWidth: 220, color: ink.soft }}>
          {t("desk.of a standard", {
            authority: body.authority,
            dated: dates.day(body.dated),
            revision: standard.latest.number,
            allowed:
              body.points_allowed === null
                ? t("desk.so many small faults", { count: body.small_allowed })
                : t("desk.so many points", { count: body.points_allowed }),
          })}
        </Box>
        <Button onClick={() => download(`${body.name}.standard.json`, body)}>
          {t("desk.export")}
        </Button>
        {!editing && (
          <Button aria-expanded={trying} onClick={() => setTrying(!trying)}>
            {t("judging.try")}
          </Button>
        )}
        {shapes && !standard.away && (
          <Button aria-expanded={editing} onClick={() => setEditing(!editing)}>
            {t("desk.change or copy")}
          </Button>
        )}
        <PutAway document={standard} name={body.name} />
      </Box>
      {standard.aged && <Box sx={{ fontSize: 14, color: ink.ochre }}>{t("desk.old by now")}</Box>}
      {body.source && (
        <Box sx={{ fontSize: 14 }}>{t("desk.from where", { source: body.source })}</Box>
      )}
      <Uses use={use} />
      {editing && <StandardEditor standard={standard} words={words} />}
      {!editing && <Rules body={body} words={words} />}
      {!editing && trying && <Preview body={body} words={words} />}
    </Card>
  );
};

export default Standards;
