/** Under the docket: that a newer Fair Corner has come, to be taken up when it suits. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useSyncExternalStore } from "react";
import { newer } from "../device/installed";
import { ink } from "../theme";
import { t } from "../words";

export const NewVersion = () => {
  const takeUp = useSyncExternalStore(newer.subscribe, newer.there);
  if (takeUp === null) return null;
  return (
    <Box role="status" aria-label={t("shell.newer version")} sx={line}>
      <span>{t("shell.newer version")}.</span>
      <Button color="inherit" sx={{ minHeight: 44 }} onClick={takeUp}>
        {t("shell.take it up")}
      </Button>
    </Box>
  );
};

const line = {
  display: "flex",
  flexWrap: "wrap",
  alignItems: "center",
  columnGap: 1.5,
  px: 2,
  fontSize: 15,
  background: ink.line,
  color: ink.ink,
  "@media print": { display: "none" },
} as const;
