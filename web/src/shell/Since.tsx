/** Under the docket: what has changed since its cue sheet was made. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link, useLocation } from "react-router";
import type { Docket } from "../api/types";
import { ink } from "../theme";
import { t } from "../words";
import { useDocket, useMay, without } from "./useDocket";

const said = ({ kind, number, another, sheet_name }: Docket["since"][number]): string =>
  another
    ? t("shell.another since", { what: t(`shell.${kind}`), was: sheet_name })
    : t("shell.revision since", { what: t(`shell.${kind}`), number });

export const Since = () => {
  const { since } = useDocket();
  const { pathname, search } = useLocation();
  const teaches = useMay().teach;
  if (since.length === 0) return null;
  return (
    <Box
      role="status"
      aria-label={t("shell.since the cue sheet")}
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: 1.5,
        px: 2,
        py: 0.25,
        fontSize: 14,
        background: ink.marigold,
        color: ink.ink,
        "@media print": { display: "none" },
      }}
    >
      <strong>{t("shell.since the cue sheet")}:</strong>
      <span>{since.map(said).join(" · ")}</span>
      {teaches && pathname !== "/cues" && (
        <Button
          component={Link}
          to={{ pathname: "/cues", search: without(search, "sheet") }}
          sx={{ minHeight: 44, color: "inherit", textDecoration: "underline" }}
        >
          {t("shell.bring it up to date")}
        </Button>
      )}
    </Box>
  );
};
