/** Fields beside each other, as many as there is room for. */

import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** How wide a field in it is, px. */
export const FIELD = 146;

export const FieldGrid = ({ children }: { children: ReactNode }) => (
  <Box
    sx={{
      display: "grid",
      gridTemplateColumns: `repeat(auto-fill, minmax(${FIELD}px, 1fr))`,
      gap: 1.25,
    }}
  >
    {children}
  </Box>
);
