/** What the school wants at hand in Drive, to be noted at any moment. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ask } from "../api/client";
import { sessionQuery } from "../api/queries";
import type { School } from "../api/types";
import { useSchool } from "../shell/useDocket";
import { useVocabulary } from "../shell/useVocabulary";
import { named, t } from "../words";
import { useUpdateSchool } from "./useUpdateSchool";

type Pad = School["pad"];

export const ChoosePad = () => {
  const { pad } = useSchool();
  const { observed } = useVocabulary();
  const client = useQueryClient();
  const put = useMutation({
    // One after the other, each on what the last one has made of it.
    scope: { id: "pad" },
    mutationFn: (what: Pad[number]) => {
      const now = client.getQueryData(sessionQuery.queryKey)?.school?.pad ?? pad;
      const next = now.includes(what) ? now.filter((one) => one !== what) : [...now, what];
      return ask.put("/api/school/pad", { body: { pad: next } });
    },
    onSuccess: useUpdateSchool(),
  });
  return (
    <Paper component="section" sx={{ p: 2, display: "grid", gap: 1.5 }}>
      <Typography variant="h2">{t("desk.at hand in drive")}</Typography>
      <Typography>{t("desk.what is at hand")}</Typography>
      <Box role="group" aria-label={t("desk.at hand in drive")} sx={row}>
        {observed.map((what) => (
          <Button
            key={what}
            variant={pad.includes(what) ? "contained" : "outlined"}
            aria-pressed={pad.includes(what)}
            onClick={() => put.mutate(what)}
            sx={{ minHeight: 44 }}
          >
            {named(what)}
          </Button>
        ))}
      </Box>
      {put.error && <Alert severity="error">{put.error.message}</Alert>}
    </Paper>
  );
};

const row = { display: "flex", flexWrap: "wrap", gap: 1 } as const;
