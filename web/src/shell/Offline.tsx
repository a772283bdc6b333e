/** Without a connection: that there is none, and what waits for one. */

import Box from "@mui/material/Box";
import { onlineManager, useMutationState } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { ink } from "../theme";
import { t } from "../words";

const useOnline = () =>
  useSyncExternalStore(
    (changed) => onlineManager.subscribe(changed),
    () => onlineManager.isOnline(),
  );

export const Offline = () => {
  const online = useOnline();
  const waiting = useMutationState({ filters: { predicate: (m) => m.state.isPaused } }).length;
  if (online) return null;
  return (
    <Box
      role="status"
      aria-label={t("shell.no connection")}
      sx={{ px: 2, py: 1, fontSize: 15, background: ink.marigold, color: ink.ink }}
    >
      <strong>{t("shell.no connection")}:</strong>{" "}
      {waiting > 0 ? t("shell.so much waits", { count: waiting }) : t("shell.stays on the device")}
    </Box>
  );
};
