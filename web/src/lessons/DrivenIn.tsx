/** What was driven in a lesson, one attempt under the other. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { LessonOpened } from "../api/types";
import { drivenHere } from "../device/pending";
import { useUnsent } from "../device/useUnsent";
import { cameTo } from "../shell/cameTo";
import { Panel } from "../shell/Panel";
import { useDates } from "../shell/useDates";
import { ink } from "../theme";
import { t } from "../words";

export const DrivenIn = ({ lesson }: { lesson: LessonOpened }) => {
  const dates = useDates();
  const { driven } = lesson;
  const here = drivenHere(lesson, useUnsent());
  return (
    <Panel label={t("lesson.driven")}>
      {driven.length + here.length === 0 && <p>{t("lesson.nothing driven")}</p>}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {driven.map((one) => (
          <Box component="li" key={one.id} sx={row}>
            <Box sx={hour}>{dates.hour(one.started)}</Box>
            <Box sx={{ flex: 1, minWidth: 160 }}>
              {one.method}
              <Box component="span" sx={{ color: ink.soft }}>
                {" "}
                · {one.ground}
              </Box>
            </Box>
            <Box sx={{ fontWeight: 650 }}>{cameTo(one)}</Box>
            <Button
              component={Link}
              to={{
                pathname: "/tape",
                search: `learner=${lesson.learner_id}&sheet=${one.sheet_id}&attempt=${one.id}`,
              }}
            >
              {one.outcome === null ? t("lesson.tape it") : t("lesson.look at it")}
            </Button>
          </Box>
        ))}
        {here.map(({ seq, started, what }) => (
          <Box component="li" key={seq} sx={row}>
            <Box sx={hour}>{dates.hour(started)}</Box>
            <Box sx={{ flex: 1, minWidth: 160 }}>{what}</Box>
            <Box sx={{ color: ink.soft, py: 1 }}>{t("tape.not sent yet")}</Box>
          </Box>
        ))}
      </Box>
    </Panel>
  );
};

const row = {
  display: "flex",
  flexWrap: "wrap",
  alignItems: "center",
  columnGap: 1.5,
  borderTop: `1px solid ${ink.line}`,
} as const;
const hour = { width: 78, whiteSpace: "nowrap" } as const;
