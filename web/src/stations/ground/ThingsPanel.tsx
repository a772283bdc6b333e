/** Putting cones, walls, vehicles and lines down at a place, turning them, and taking them away. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { GroundBody, Thing, Vocabulary } from "../../api/types";
import { length, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { useVocabulary } from "../../shell/useVocabulary";
import { named, t } from "../../words";

const SPOT = { x_m: -2, off_m: 3 };

type Sizes = Vocabulary["things"];

/** The core's ordinary sizes, said where they are used. */
const sizesSaid = (sizes: Sizes, units: Units): string => {
  const said = Object.entries(sizes).map(([kind, [long, wide]]) =>
    wide < THIN || long === wide
      ? `${named(kind)} ${length(long, units)}`
      : t("ground.by", {
          kind: named(kind),
          long: length(long, units),
          wide: length(wide, units),
        }),
  );
  return t("ground.ordinary sizes tyres keep off", { sizes: said.join(", ") });
};

/** Of what is thinner only the length is told, m. */
const THIN = 0.3;

interface Props {
  ground: GroundBody;
  things: readonly Thing[];
  onThing: (thing: Thing) => Promise<unknown>;
  take: (name: string) => void;
}

export const ThingsPanel = ({ ground, things, onThing, take }: Props) => {
  const units = useUnits();
  const { things: sizes } = useVocabulary();
  const away = ground.side === "left" ? -1 : 1;
  // What goes wrong is told beside the drawing.
  const put = (thing: Thing) => void onThing(thing).catch(() => {});
  const down = (kind: Thing["kind"]) =>
    put({ kind, name: "", x_m: SPOT.x_m, y_m: away * SPOT.off_m, turned_deg: 0 });
  return (
    <Paper
      component="section"
      aria-label={t("ground.put down")}
      sx={{ p: 2, display: "grid", gap: 1 }}
    >
      <Typography variant="h2">{t("ground.put down")}</Typography>
      <Box sx={{ display: "flex", gap: 0.75, flexWrap: "wrap" }}>
        {(Object.keys(sizes) as Thing["kind"][]).map((kind) => (
          <Button
            key={kind}
            size="small"
            variant="outlined"
            aria-label={t("ground.put down this", { kind: named(kind) })}
            onClick={() => down(kind)}
          >
            {named(kind)}
          </Button>
        ))}
      </Box>
      {things.map((thing) => (
        <Box key={thing.name} sx={{ display: "flex", alignItems: "center", gap: 0.5 }}>
          <Box sx={{ fontWeight: 700 }}>{thing.name}</Box>
          <Box sx={{ flex: 1 }} />
          {thing.kind !== "cone" &&
            thing.kind !== "pole" &&
            [15, -15].map((by) => (
              <Button
                key={by}
                size="small"
                aria-label={
                  by > 0
                    ? t("ground.turn left", { name: thing.name })
                    : t("ground.turn right", { name: thing.name })
                }
                onClick={() => put({ ...thing, turned_deg: thing.turned_deg + by })}
              >
                {by > 0 ? "↺" : "↻"} 15°
              </Button>
            ))}
          <Button
            size="small"
            aria-label={t("ground.take it away", { name: thing.name })}
            onClick={() => take(thing.name)}
          >
            {t("ground.take away")}
          </Button>
        </Box>
      ))}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("ground.drag them on the drawing", {
          by: length(0.05, units),
          sizes: sizesSaid(sizes, units),
        })}
      </Typography>
    </Paper>
  );
};
