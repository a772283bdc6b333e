/** Empty, loading and failing: said the same way everywhere. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import CircularProgress from "@mui/material/CircularProgress";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { Component, type ReactNode } from "react";
import { ApiError } from "../api/client";
import { useOnline } from "../api/line";
import { forgetKept } from "../device/kept";
import { t } from "../words";

interface WaitingProps {
  what?: string;
  /** Whether there is nothing else on the page by which to go elsewhere. */
  alone?: boolean;
}

export const Waiting = ({ what = t("shell.one moment"), alone = false }: WaitingProps) =>
  useOnline() ? (
    <Box role="status" sx={{ display: "flex", gap: 2, alignItems: "center", p: 4 }}>
      <CircularProgress size={24} aria-hidden /> <Typography>{what}…</Typography>
    </Box>
  ) : (
    <NotOnTheDevice alone={alone} />
  );

/** What was never fetched cannot be shown without a line; as soon as there is one, it comes. */
const NotOnTheDevice = ({ alone }: { alone: boolean }) => (
  <Box role="status" sx={{ p: 4, maxWidth: 560 }}>
    <Typography variant="h2" gutterBottom>
      {t("shell.not on the device")}
    </Typography>
    <p>{t("shell.comes with the line")}</p>
    {alone && (
      <Button variant="outlined" onClick={() => window.history.back()}>
        {t("shell.back to where it was")}
      </Button>
    )}
  </Box>
);

export const Nothing = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box sx={{ p: 4, maxWidth: 560 }}>
    <Typography variant="h2" gutterBottom>
      {title}
    </Typography>
    {children}
  </Box>
);

export const Failure = ({ error, retry }: { error: unknown; retry?: () => void }) => (
  <Alert
    severity="error"
    action={
      retry && (
        <Button color="inherit" onClick={retry}>
          {t("shell.try again")}
        </Button>
      )
    }
  >
    {error instanceof Error ? error.message : String(error)}
  </Alert>
);

interface BoundaryState {
  error: unknown;
}

/** Which documents were chosen last; what was typed stays. */
const forgetDocket = () => {
  for (const key of Object.keys(localStorage))
    if (key.startsWith("fair-corner/docket/")) forgetKept(key);
};

/** Catches what a query or a drawing threw, says it, and offers another try. */
export class ErrorBoundary extends Component<{ children: ReactNode }, BoundaryState> {
  override state: BoundaryState = { error: null };

  static getDerivedStateFromError(error: unknown): BoundaryState {
    return { error };
  }

  override render() {
    if (this.state.error === null) return this.props.children;
    return <Fallen error={this.state.error} again={() => this.setState({ error: null })} />;
  }
}

const Fallen = ({ error, again }: { error: unknown; again: () => void }) => {
  const client = useQueryClient();
  const retry = () => {
    // What a part of the page threw is not mended by asking the server again.
    if (!(error instanceof ApiError)) {
      window.location.reload();
      return;
    }
    void client.resetQueries({ predicate: (q) => q.state.status === "error" }).then(again);
  };
  const lost = error instanceof ApiError && error.status === 404;
  return (
    <Box sx={{ p: 4, maxWidth: 620 }}>
      <Failure error={error} retry={retry} />
      {lost && (
        <Button href="/cues" sx={{ mt: 2 }} onClick={forgetDocket}>
          {t("shell.start with the first")}
        </Button>
      )}
    </Box>
  );
};
