/** Somebody else has saved the document since this draft was begun: both are shown, to choose. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { ask } from "../api/client";
import type { Revision } from "../api/types";
import { t } from "../words";

interface Props<Body> {
  revision: Revision;
  body: Body;
  /** The revision the draft began from. */
  basedOn: number;
  settle: (body: Body) => void;
}

export const Meanwhile = <Body extends Revision["body"]>(props: Props<Body>) => {
  const { revision, body, basedOn, settle } = props;
  const { document_id, number, author } = revision;
  const merge = useQuery({
    queryKey: ["merge", document_id, number, basedOn, body],
    queryFn: ({ signal }) =>
      ask.post("/api/documents/{document_id}/merge", {
        params: { path: { document_id } },
        body: { based_on: basedOn, body: body as Record<string, unknown> },
        signal,
      }),
  });
  const by = author ?? t("shell.somebody");
  return (
    <Alert severity="warning">
      {t("shell.saved meanwhile", { by, number, begun: basedOn })}
      {merge.error && <Box>{merge.error.message}</Box>}
      {merge.data && (
        <>
          {merge.data.conflicts.length > 0 && (
            <Box component="ul" sx={{ pl: 2, my: 0.5 }}>
              {merge.data.conflicts.map((conflict) => (
                <li key={conflict.text}>{conflict.text}</li>
              ))}
            </Box>
          )}
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 0.5 }}>
            {merge.data.conflicts.length === 0 ? (
              <Button sx={{ minHeight: 44 }} onClick={() => settle(merge.data.mine as Body)}>
                {t("shell.go on with both")}
              </Button>
            ) : (
              <>
                <Button sx={{ minHeight: 44 }} onClick={() => settle(merge.data.mine as Body)}>
                  {t("shell.yours there")}
                </Button>
                <Button sx={{ minHeight: 44 }} onClick={() => settle(merge.data.theirs as Body)}>
                  {t("shell.theirs there")}
                </Button>
              </>
            )}
          </Box>
        </>
      )}
    </Alert>
  );
};
