/** Save, undo, discard: the same bar under every editor. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Revision } from "../api/types";
import { ink } from "../theme";
import { t } from "../words";
import { useRole } from "./useDocket";
import type { useRevise } from "./useRevise";

interface Props {
  revision: Revision;
  draft: Pick<ReturnType<typeof useRevise>, "save" | "changed" | "undo" | "clear">;
  what: "vehicle" | "seat" | "ground" | "method";
}

const revisionOf = ({ number, author }: Revision, what: Props["what"]): string => {
  const said = { what: t(`shell.${what}`), number };
  return author ? t("shell.revision by", { ...said, author }) : t("shell.revision", said);
};

export const ReviseBar = ({ revision, draft, what }: Props) => {
  const teaches = useRole() !== "learner";
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      {draft.save.error && <Alert severity="error">{draft.save.error.message}</Alert>}
      {draft.changed && (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          <Button
            variant="contained"
            loading={draft.save.isPending}
            onClick={() => draft.save.mutate()}
          >
            {t("shell.save as revision", { what: t(`names.${what}`), number: revision.number + 1 })}
          </Button>
          <Button onClick={draft.undo}>{t("shell.undo")}</Button>
          <Button onClick={draft.clear}>{t("shell.discard")}</Button>
        </Box>
      )}
      <Box sx={{ fontSize: 13, color: ink.soft }}>
        {draft.changed
          ? t("shell.changed and not saved", { what: t(`names.${what}`), number: revision.number })
          : revisionOf(revision, what)}{" "}
        {!teaches && t("shell.only instructors change it")}
      </Box>
    </Box>
  );
};
