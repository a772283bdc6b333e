/** Work done when it is asked for: a button until then, and a card that can be closed again. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { t } from "../words";

interface Props {
  /** What the button says, what the card is headed, and what it is called to who cannot see it. */
  question: string;
  title: string;
  label: string;
  wanted: boolean;
  ask: (wanted: boolean) => void;
  /** What is said while it is being worked out; closing cancels it. */
  busy?: string | false;
  children: ReactNode;
}

export const Asked = ({ question, title, label, wanted, ask, busy, children }: Props) =>
  wanted ? (
    <Paper component="section" aria-label={label} sx={{ p: 1.5, flexShrink: 0 }}>
      <Box sx={{ display: "flex", alignItems: "center" }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {title}
        </Typography>
        <Button size="small" onClick={() => ask(false)}>
          {busy ? t("shell.cancel") : t("shell.close")}
        </Button>
      </Box>
      {busy && <p>{busy}</p>}
      {children}
    </Paper>
  ) : (
    <Button variant="outlined" sx={{ minHeight: 48, flexShrink: 0 }} onClick={() => ask(true)}>
      {question}
    </Button>
  );
