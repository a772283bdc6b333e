/** A drawing and what belongs beside it; below it where the screen is held upright. */
import Box from "@mui/material/Box";
import type { ReactNode } from "react";

interface Props {
  /** Width of the second column, px, and the least height at which both stand side by side. */
  side?: number;
  least: number;
  /** Height of the drawing where the screen is held upright, px. */
  upright?: number;
  children: ReactNode;
}

export const Columns = ({ side = 320, least, upright = 520, children }: Props) => (
  <Box
    sx={{
      display: "grid",
      gap: 1.5,
      gridTemplateColumns: { xs: "minmax(0, 1fr)", md: `minmax(0, 1fr) ${side}px` },
      gridTemplateRows: { xs: `minmax(${upright}px, auto) auto`, md: "minmax(0, 1fr)" },
      height: { md: "100%" },
      minHeight: { md: least },
      "@media print": { height: "auto" },
    }}
  >
    {children}
  </Box>
);
