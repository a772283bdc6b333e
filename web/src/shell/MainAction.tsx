/** What a page is for, in reach of a thumb: at the foot of a screen that is held upright. */
import Box from "@mui/material/Box";
import { useTheme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import { createContext, type ReactNode, useContext } from "react";
import { createPortal } from "react-dom";

/** Where it goes there; null until the house has drawn it. */
export const ActionSlot = createContext<HTMLElement | null>(null);

export const MainAction = ({ children }: { children: ReactNode }) => {
  const slot = useContext(ActionSlot);
  const upright = useMediaQuery(useTheme().breakpoints.down("md"));
  if (!upright || !slot) return children;
  return createPortal(
    <Box sx={{ p: 1, display: "grid", "@media print": { display: "none" } }}>{children}</Box>,
    slot,
  );
};
