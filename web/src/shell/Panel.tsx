/** A part of a screen that has a head: the same wherever one stands. */

import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";

interface Props {
  /** What it is called to who cannot see it. */
  label: string;
  /** The head, where it says more than that. */
  title?: string;
  /** What stands at the head's end. */
  beside?: ReactNode;
  children: ReactNode;
}

export const Panel = ({ label, title = label, beside, children }: Props) => (
  <Paper component="section" aria-label={label} sx={{ p: 1.5, flexShrink: 0 }}>
    <Box sx={{ display: "flex", alignItems: "baseline", justifyContent: "space-between", gap: 1 }}>
      <Typography variant="h2">{title}</Typography>
      {beside}
    </Box>
    {children}
  </Paper>
);
