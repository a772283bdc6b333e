/** A term that is explained where it stands: to the pointer, the finger and the keyboard. */
import Box from "@mui/material/Box";
import Tooltip from "@mui/material/Tooltip";
import type { ReactNode } from "react";

interface Props {
  means: string;
  children?: ReactNode;
}

export const Term = ({ means, children }: Props) => (
  <Tooltip title={means} describeChild enterTouchDelay={0} leaveTouchDelay={6000}>
    <Box
      component="button"
      type="button"
      data-term
      sx={{
        all: "unset",
        cursor: "help",
        textDecoration: "underline dotted",
        textUnderlineOffset: 3,
        "&:focus-visible": { outline: "2px solid currentColor" },
      }}
    >
      {children}
    </Box>
  </Tooltip>
);
