/** Against stray touches: nothing takes one until the lock has been held down for a moment. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { useEffect, useRef, useState } from "react";
import { ink } from "../../theme";
import { t } from "../../words";

const HELD_MS = 700;

export const ScreenLock = ({ open }: { open: () => void }) => {
  const [held, setHeld] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const latest = useRef(open);
  latest.current = open;
  useEffect(() => button.current?.focus(), []);
  useEffect(() => {
    if (!held) return;
    const timer = setTimeout(() => latest.current(), HELD_MS);
    return () => clearTimeout(timer);
  }, [held]);
  return (
    <Box
      role="dialog"
      aria-modal
      aria-label={t("drive.locked")}
      sx={{
        position: "fixed",
        inset: 0,
        zIndex: 1500,
        display: "grid",
        placeItems: "end center",
        pb: 6,
        background: "rgb(30 43 45 / 35%)",
        touchAction: "none",
      }}
    >
      <ButtonBase
        ref={button}
        onPointerDown={() => setHeld(true)}
        onPointerUp={() => setHeld(false)}
        onPointerLeave={() => setHeld(false)}
        // A keyboard brushes nothing by accident.
        onKeyDown={(event) => event.key === "Enter" && open()}
        sx={{
          minHeight: 72,
          px: 4,
          borderRadius: 2,
          fontSize: 20,
          fontWeight: 700,
          color: "#fff",
          background: held ? ink.plum : ink.teal,
          userSelect: "none",
        }}
      >
        {t("drive.hold to unlock")}
      </ButtonBase>
    </Box>
  );
};
