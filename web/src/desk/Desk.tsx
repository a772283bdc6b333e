/** The frame of every desk page. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";

export const Desk = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box sx={{ maxWidth: 980, display: "grid", gap: 2, gridTemplateColumns: "minmax(0, 1fr)" }}>
    <Typography variant="h1">{title}</Typography>
    {children}
  </Box>
);
