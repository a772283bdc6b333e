/** What is met before one is in: the mark, a title, and what is asked there. */
import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { ink } from "../theme";
import { Mark } from "./Mark";

interface Props {
  title?: string;
  width?: number;
  children: ReactNode;
}

export const Porch = ({ title = "Fair Corner", width = 420, children }: Props) => (
  <Box
    component="main"
    sx={{ minHeight: "100dvh", display: "grid", placeItems: "center", background: ink.ink, p: 1 }}
  >
    <Paper sx={{ p: { xs: 2, sm: 4 }, width: "100%", maxWidth: width, display: "grid", gap: 2 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
        <Mark size={44} />
        <Typography variant="h1">{title}</Typography>
      </Box>
      {children}
    </Paper>
  </Box>
);
