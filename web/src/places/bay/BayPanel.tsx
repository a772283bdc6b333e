/** What of a bay is no length: its lean, what ends it, who is parked beside. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { ask } from "../../api/client";
import type { BayGoal, BayIn } from "../../api/types";
import { NumberField } from "../../shell/NumberField";
import { ink } from "../../theme";
import { t } from "../../words";
import type { ControlsProps } from "../place";

const HEADS: BayGoal["head"][] = ["line", "wall", "wheel stop"];

const leanOf = (angle: number): string => {
  if (angle === 90) return t("places.square to the aisle");
  return angle < 90 ? t("places.leans the way you drive") : t("places.leans back made for nose");
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
      {there(`neighbour ${which}`)
        ? t(`places.empty the bay ${which}`)
        : t(`places.park one in the bay ${which}`)}
    </Button>
  );
  return (
    <>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        <NumberField
          label={t("places.angle in degrees")}
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
        aria-label={t("places.what ends the bay")}
        onChange={(_, head) => head && head !== goal.head && change({ head })}
      >
        {HEADS.map((head) => (
          <ToggleButton key={head} value={head} sx={{ textTransform: "none" }}>
            {t(`names.${head}`)}
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
          {goal.lines === "sensor"
            ? t("places.lines that may be crossed")
            : t("places.lines with sensors")}
        </Button>
        <Button
          variant="outlined"
          disabled={readOnly}
          onClick={() => change({ guide: goal.guide_m === null })}
        >
          {goal.guide_m === null ? t("places.lay a guide line") : t("places.no guide line")}
        </Button>
      </Box>
      {goal.lines === "sensor" && (
        <Box sx={{ fontSize: 13, color: ink.soft }}>{t("places.no tyre may touch")}</Box>
      )}
    </>
  );
};
