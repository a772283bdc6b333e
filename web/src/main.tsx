import "@fontsource-variable/atkinson-hyperlegible-next/index.css";
import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { onlineManager, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { client } from "./api/cache";
import { lineIsLost } from "./api/line";
import { sessionQuery } from "./api/queries";
import { restoreFetched } from "./device/fetched";
import { install } from "./device/installed";
import { restoreKept } from "./device/kept";
import { endTheSession } from "./device/leaving";
import { App } from "./shell/App";
import { open } from "./shell/opening";
import { theme } from "./theme";

// A deployment since the page was opened has taken a part of it away: the page is fetched anew,
// once; a part that still fails is told like any other error.
const AGAIN = "fair-corner/fetched anew";
window.addEventListener("vite:preloadError", (event) => {
  const before = Number(sessionStorage.getItem(AGAIN));
  if (Date.now() - before < 10_000) return;
  sessionStorage.setItem(AGAIN, String(Date.now()));
  event.preventDefault();
  window.location.reload();
});

const NOBODY = { person: null, school: null };

install();
// Opened where there is no network at all, it need not be found out.
if (!navigator.onLine) lineIsLost();
onlineManager.subscribe((online) => online && void endTheSession().catch(() => undefined));
// What is on the device is there before anything is drawn; a browser that keeps nothing has none.
await restoreKept().catch(() => undefined);
await endTheSession().catch(() => client.setQueryData(sessionQuery.queryKey, NOBODY));
await restoreFetched(client).catch(() => undefined);
await open(client);

const root = document.getElementById("root");
if (!root) throw new Error("index.html has lost its #root element");
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </ThemeProvider>
    </QueryClientProvider>
  </StrictMode>,
);
