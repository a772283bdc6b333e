/** A line under the docket: what is so just now, and what can be done about it. */

import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { ink } from "../theme";

interface Props {
  /** What it is called to who cannot see it. */
  name: string;
  /** Whether it asks to be looked at. */
  marked?: boolean;
  children: ReactNode;
}

export const Strip = ({ name, marked = true, children }: Props) => (
  <Box role="status" aria-label={name} sx={strip} style={{ background: colour(marked) }}>
    {children}
  </Box>
);

const colour = (marked: boolean) => (marked ? ink.marigold : ink.line);

const strip = {
  display: "flex",
  alignItems: "center",
  justifyContent: "space-between",
  columnGap: 1,
  px: { xs: 1.5, sm: 2 },
  minHeight: 44,
  fontSize: { xs: 14, sm: 15 },
  lineHeight: 1.25,
  color: ink.ink,
  "@media print": { display: "none" },
} as const;
