/** Beside the drawing: what is said of the readings, and what is done with them. */

import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { MainAction } from "../../shell/MainAction";

interface Props {
  /** The buttons; nothing where nobody may press any. */
  actions: ReactNode;
  /** What has to be told before they are pressed. */
  asked?: ReactNode;
  children: ReactNode;
}

/** What is said scrolls by itself: the buttons beneath stay under the finger when a verdict comes. */
export const TapeSide = ({ actions, asked, children }: Props) => (
  <Box sx={column}>
    <Box sx={{ ...column, flex: 1, overflowY: "auto" }}>{children}</Box>
    {asked}
    {actions && (
      <MainAction>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>{actions}</Box>
      </MainAction>
    )}
  </Box>
);

const column = { display: "flex", flexDirection: "column", gap: 1.25, minHeight: 0 } as const;
