/** Save, undo, discard: the same bar under every editor. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Revision } from "../api/types";
import { ink } from "../theme";
import { useRole } from "./useDocket";
import type { useRevise } from "./useRevise";

interface Props {
  revision: Revision;
  draft: Pick<ReturnType<typeof useRevise>, "save" | "changed" | "undo" | "clear">;
  what: string;
}

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
            Save {what} as revision {revision.number + 1}
          </Button>
          <Button onClick={draft.undo}>Undo</Button>
          <Button onClick={draft.clear}>Discard</Button>
        </Box>
      )}
      <Box sx={{ fontSize: 13, color: ink.soft }}>
        {draft.changed
          ? `The ${what} is changed and not saved yet; attempts keep pointing at revision ${revision.number}.`
          : `${what[0]?.toUpperCase()}${what.slice(1)}: revision ${revision.number}${revision.author ? `, by ${revision.author}` : ""}.`}
        {!teaches && " Only instructors change it."}
      </Box>
    </Box>
  );
};
