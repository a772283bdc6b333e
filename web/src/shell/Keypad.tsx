/** Keys for a length, under a thumb at the foot of the screen: nothing else, and large. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { createPortal } from "react-dom";
import { ink } from "../theme";
import { t } from "../words";
import type { Units } from "./units";

interface Props {
  units: Units;
  /** A key's text goes to the end of what is typed. */
  type: (text: string) => void;
  back: () => void;
  /** Done with this field: on to the next one. */
  enter: () => void;
}

const DIGITS = ["1", "2", "3", "4", "5", "6", "7", "8", "9"];
/** What a tape's figures have besides digits. */
const MORE: Record<Units, readonly string[]> = {
  metric: ["0", ".", "−"],
  imperial: ["0", ".", "'"],
};

export const Keypad = ({ units, type, back, enter }: Props) =>
  createPortal(
    <Box
      role="group"
      aria-label={t("shell.keypad")}
      // The field keeps the hand: a key that took it would end the typing.
      onPointerDown={(event) => event.preventDefault()}
      onMouseDown={(event) => event.preventDefault()}
      sx={{
        position: "fixed",
        insetInline: 0,
        bottom: 0,
        zIndex: "modal",
        p: 1,
        display: "grid",
        gap: 0.75,
        gridTemplateColumns: "repeat(3, minmax(0, 1fr)) minmax(0, 1.3fr)",
        gridAutoRows: 56,
        background: ink.paper,
        boxShadow: 6,
      }}
    >
      {[...DIGITS, ...MORE[units]].map((key, i) => (
        <Button
          key={key}
          variant="outlined"
          tabIndex={-1}
          onClick={() => type(key)}
          sx={{ ...large, gridColumn: (i % 3) + 1, gridRow: Math.floor(i / 3) + 1 }}
        >
          {key}
        </Button>
      ))}
      <Button
        variant="outlined"
        tabIndex={-1}
        aria-label={t("shell.take a key back")}
        onClick={back}
        sx={{ ...large, gridColumn: 4, gridRow: "1 / 3" }}
      >
        ⌫
      </Button>
      <Button
        variant="contained"
        tabIndex={-1}
        onClick={enter}
        sx={{ ...large, gridColumn: 4, gridRow: "3 / 5" }}
      >
        {t("shell.next field")}
      </Button>
    </Box>,
    document.body,
  );

const large = { fontSize: 22, minWidth: 0 } as const;
