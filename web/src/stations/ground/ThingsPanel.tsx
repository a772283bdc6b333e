/** Putting cones, walls, vehicles and lines down at a place, turning them, and taking them away. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { GroundBody, Thing } from "../../api/types";
import { length, type Units } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";

const KINDS: readonly Thing["kind"][] = ["cone", "pole", "vehicle", "wall", "solid line", "island"];
const SPOT = { x_m: -2, off_m: 3 };

/** The core's ordinary sizes, said where they are used. */
const sizes = (units: Units): string =>
  `Ordinary sizes: a cone ${length(0.3, units)}, a vehicle ${length(4.4, units)} by ${length(1.8, units)}, a wall ${length(3, units)}, a solid line ${length(5, units)}, an island ${length(3, units)} by ${length(1.5, units)}. Tyres keep off an island, the body off everything else.`;

interface Props {
  ground: GroundBody;
  things: readonly Thing[];
  onThing: (thing: Thing) => Promise<unknown>;
  take: (name: string) => void;
}

export const ThingsPanel = ({ ground, things, onThing, take }: Props) => {
  const units = useUnits();
  const away = ground.side === "left" ? -1 : 1;
  // What goes wrong is told beside the drawing.
  const put = (thing: Thing) => void onThing(thing).catch(() => {});
  const down = (kind: Thing["kind"]) =>
    put({ kind, name: "", x_m: SPOT.x_m, y_m: away * SPOT.off_m, turned_deg: 0 });
  return (
    <Paper component="section" aria-label="Put down" sx={{ p: 2, display: "grid", gap: 1 }}>
      <Typography variant="h2">Put down</Typography>
      <Box sx={{ display: "flex", gap: 0.75, flexWrap: "wrap" }}>
        {KINDS.map((kind) => (
          <Button
            key={kind}
            size="small"
            variant="outlined"
            aria-label={`Put down: ${kind}`}
            onClick={() => down(kind)}
          >
            {kind}
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
                aria-label={`Turn ${thing.name} ${by > 0 ? "left" : "right"}`}
                onClick={() => put({ ...thing, turned_deg: thing.turned_deg + by })}
              >
                {by > 0 ? "↺" : "↻"} 15°
              </Button>
            ))}
          <Button
            size="small"
            aria-label={`Take ${thing.name} away`}
            onClick={() => take(thing.name)}
          >
            Take away
          </Button>
        </Box>
      ))}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        Drag them on the drawing; arrow keys move by {length(0.05, units)}. {sizes(units)}
      </Typography>
    </Paper>
  );
};
