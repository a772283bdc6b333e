/** What of a bay is no length: its lean, what ends it, who is parked beside. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { ask } from "../../api/client";
import type { BayGoal, BayIn } from "../../api/types";
import { NumberField } from "../../shell/NumberField";
import { ink } from "../../theme";
import type { ControlsProps } from "../place";

const HEADS: BayGoal["head"][] = ["line", "wall", "wheel stop"];

const leanOf = (angle: number): string => {
  if (angle === 90) return "square to the aisle";
  return angle < 90 ? "leans the way you drive: made for nose in" : "leans back: made for nose out";
};

export const BayPanel = ({ ground, readOnly, change: ofPlace }: ControlsProps) => {
  const { goal } = ground;
  if (goal.kind !== "bay") return null;
  const change = (part: Omit<BayIn, "body">) =>
    ofPlace((body) => ask.post("/api/grounds/bay", { body: { body, ...part } }));
  const there = (name: string) => ground.obstacles.some((o) => o.name === name);
  const neighbour = (which: "before" | "beyond") => (
    <Button
      variant="outlined"
      disabled={readOnly}
      onClick={() => change({ [which]: !there(`neighbour ${which}`) })}
    >
      {there(`neighbour ${which}`) ? `Empty the bay ${which}` : `Park one in the bay ${which}`}
    </Button>
  );
  return (
    <>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        <NumberField
          label="Angle, °"
          value={goal.angle_deg}
          readOnly={readOnly}
          width={136}
          onCommit={(angle_deg) => change({ angle_deg })}
        />
        <Box sx={{ fontSize: 13, color: ink.soft }}>{leanOf(goal.angle_deg)}</Box>
      </Box>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={goal.head}
        disabled={readOnly}
        aria-label="What ends the bay"
        onChange={(_, head) => head && head !== goal.head && change({ head })}
      >
        {HEADS.map((head) => (
          <ToggleButton key={head} value={head} sx={{ textTransform: "none" }}>
            {head}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
        {neighbour("before")}
        {neighbour("beyond")}
        <Button
          variant="outlined"
          disabled={readOnly}
          onClick={() => change({ lines: goal.lines === "sensor" ? "painted" : "sensor" })}
        >
          {goal.lines === "sensor" ? "Lines that may be crossed" : "Lines with sensors"}
        </Button>
        <Button
          variant="outlined"
          disabled={readOnly}
          onClick={() => change({ guide: goal.guide_m === null })}
        >
          {goal.guide_m === null ? "Lay a guide line" : "No guide line"}
        </Button>
      </Box>
      {goal.lines === "sensor" && (
        <Box sx={{ fontSize: 13, color: ink.soft }}>
          No tyre may touch a line with sensors; the body may reach over it.
        </Box>
      )}
    </>
  );
};
