/** Where attempts of all times ended, on the ground that they were driven on; each opens. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { finishesQuery, type HistoryAsked, sheetQuery } from "../api/queries";
import type { Finishes, Point, Sheet } from "../api/types";
import { opacityOf, UNMET } from "../drawing/ended";
import { useFrame } from "../drawing/frame";
import { Slab } from "../drawing/Slab";
import { PLACES } from "../places";
import { cameTo } from "../shell/cameTo";
import { Panel } from "../shell/Panel";
import { useDates } from "../shell/useDates";
import { ink } from "../theme";
import { t } from "../words";

type Mark = Finishes["marks"][number];

interface Props {
  asked: HistoryAsked;
  /** The attempt that is pointed at in the list. */
  pointed: string | null;
}

export const HistorySlab = ({ asked, pointed }: Props) => {
  const { data } = useQuery(finishesQuery(asked));
  const sheet = useQuery(sheetQuery(data?.sheet_id ?? null));
  if (!data || data.marks.length === 0 || !sheet.data) return null;
  const notes = [
    data.elsewhere > 0 && t("lesson.ended elsewhere", { count: data.elsewhere }),
    data.revised && t("lesson.place revised"),
  ].filter(Boolean);
  return (
    <Panel label={t("lesson.where they ended", { ground: data.ground })}>
      <Box sx={{ height: { xs: 240, md: 300 }, mt: 1 }}>
        <Ended finishes={data} sheet={sheet.data} pointed={pointed} learner={asked.learner} />
      </Box>
      <Box sx={{ fontSize: 14, color: ink.soft, mt: 0.75 }}>
        {[t("lesson.what is drawn", { count: data.marks.length }), ...notes].join(" ")}
      </Box>
    </Panel>
  );
};

interface EndedProps {
  finishes: Finishes;
  sheet: Sheet;
  pointed: string | null;
  learner: number;
}

/** Room for all of them, and for what they stand between. */
const boundsOf = (points: readonly Point[]) => ({
  left: Math.min(...points.map(([x]) => x)) - 1.6,
  right: Math.max(...points.map(([x]) => x)) + 1.6,
  bottom: Math.min(...points.map(([, y]) => y)) - 1.1,
  top: Math.max(...points.map(([, y]) => y)) + 1.1,
});

const Ended = ({ finishes, sheet, pointed, learner }: EndedProps) => {
  const ground = sheet.ground.body;
  const { Scene } = PLACES[ground.goal.kind];
  return (
    <Slab
      bounds={boundsOf(finishes.marks.flatMap((mark) => mark.outline))}
      label={t("lesson.where they ended", { ground: finishes.ground })}
      links
    >
      <Scene ground={ground} />
      {finishes.marks
        // What is pointed at lies over the rest.
        .toSorted((one, other) => Number(one.id === pointed) - Number(other.id === pointed))
        .map((mark) => (
          <Outline key={mark.id} mark={mark} pointed={mark.id === pointed} learner={learner} />
        ))}
    </Slab>
  );
};

interface OutlineProps {
  mark: Mark;
  pointed: boolean;
  learner: number;
}

const Outline = ({ mark, pointed, learner }: OutlineProps) => {
  const frame = useFrame();
  const dates = useDates();
  const said = `${dates.stamp(mark.started)}, ${mark.method}: ${cameTo({ ...mark, void: false })}`;
  return (
    <Link
      to={{
        pathname: "/tape",
        search: `learner=${learner}&sheet=${mark.sheet_id}&attempt=${mark.id}`,
      }}
      aria-label={said}
      // The list has each of them for who comes by keys.
      tabIndex={-1}
    >
      <title>{said}</title>
      <path
        d={frame.path(mark.outline, true)}
        fill={ink.pale}
        fillOpacity={pointed ? 0.55 : 0}
        pointerEvents="all"
        strokeOpacity={opacityOf(mark)}
        strokeWidth={pointed ? 4 : 1.25}
        {...(mark.met ? { stroke: ink.chalk } : UNMET)}
      />
    </Link>
  );
};
