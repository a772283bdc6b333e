/** Save, undo, discard: the same bar under every editor. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Revision } from "../api/types";
import { ink } from "../theme";
import { t } from "../words";
import { MainAction } from "./MainAction";
import { Meanwhile } from "./Meanwhile";
import { useMay } from "./useDocket";
import type { useRevise } from "./useRevise";

type What = "vehicle" | "seat" | "ground" | "method" | "standard";

interface Props<Body extends Revision["body"]> {
  revision: Revision;
  draft: Pick<
    ReturnType<typeof useRevise<Body>>,
    "body" | "save" | "changed" | "undo" | "clear" | "restore" | "behind" | "settle"
  >;
  what: What;
}

const revisionOf = ({ number, author }: Revision, what: What): string => {
  const said = { what: t(`shell.${what}`), number };
  return author ? t("shell.revision by", { ...said, author }) : t("shell.revision", said);
};

export const ReviseBar = <Body extends Revision["body"]>({
  revision,
  draft,
  what,
}: Props<Body>) => {
  const shapes = useMay().shape;
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      {draft.behind !== null ? (
        <Meanwhile
          revision={revision}
          body={draft.body}
          basedOn={draft.behind}
          settle={draft.settle}
        />
      ) : (
        draft.save.error && <Alert severity="error">{draft.save.error.message}</Alert>
      )}
      {draft.changed && (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          <MainAction>
            <Button
              variant="contained"
              loading={draft.save.isPending}
              disabled={draft.behind !== null}
              onClick={() => draft.save.mutate()}
            >
              {t("shell.save as revision", {
                what: t(`names.${what}`),
                number: revision.number + 1,
              })}
            </Button>
          </MainAction>
          <Button onClick={draft.undo}>{t("shell.undo")}</Button>
          <Button onClick={draft.clear}>{t("shell.discard")}</Button>
        </Box>
      )}
      {draft.restore && (
        <Button sx={{ justifySelf: "start" }} onClick={draft.restore}>
          {t("shell.bring back")}
        </Button>
      )}
      <Box sx={{ fontSize: 13, color: ink.soft }}>
        {draft.changed
          ? t("shell.changed and not saved", { what: t(`names.${what}`), number: revision.number })
          : revisionOf(revision, what)}{" "}
        {!shapes && t("shell.only instructors change it")}
      </Box>
    </Box>
  );
};
