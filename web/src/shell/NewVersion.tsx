/** Under the docket: that a newer Fair Corner has come, to be taken up when it suits. */

import Button from "@mui/material/Button";
import { useSyncExternalStore } from "react";
import { newer } from "../device/installed";
import { t } from "../words";
import { Strip } from "./Strip";

export const NewVersion = () => {
  const takeUp = useSyncExternalStore(newer.subscribe, newer.there);
  if (takeUp === null) return null;
  return (
    <Strip name={t("shell.newer version")} marked={false}>
      <span>{t("shell.newer version")}.</span>
      <Button color="inherit" sx={{ minHeight: 44 }} onClick={takeUp}>
        {t("shell.take it up")}
      </Button>
    </Strip>
  );
};
