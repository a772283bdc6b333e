/** A gap told by eye, against what the plan has: a thumb's worth of three. */

import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { ink } from "../../theme";
import { type Code, t } from "../../words";
import type { Glance } from "./typed";

export const GLANCES: Record<Glance, Code> = {
  near: "tape.near",
  right: "tape.right",
  far: "tape.far",
};

/** Two of them stand side by side on a phone, as wide as a pin has room for, px. */
const WIDTH = 138;

interface Props {
  label: string;
  glance: Glance | null;
  readOnly: boolean;
  onLook: (glance: Glance | null) => void;
}

export const Glances = ({ label, glance, readOnly, onLook }: Props) => (
  <Box sx={{ background: "#fff", borderRadius: 1, p: 0.25, width: WIDTH }}>
    <Box sx={{ fontSize: 12, color: ink.soft, px: 0.5 }}>{label}</Box>
    <ToggleButtonGroup
      exclusive
      fullWidth
      disabled={readOnly}
      value={glance}
      aria-label={t("tape.by eye named", { label })}
      onChange={(_, told: Glance | null) => onLook(told)}
    >
      {(Object.keys(GLANCES) as Glance[]).map((one) => (
        <ToggleButton
          key={one}
          value={one}
          sx={{ minHeight: 44, px: 0, fontSize: 13, textTransform: "none" }}
        >
          {t(GLANCES[one])}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  </Box>
);
