import "@fontsource-variable/atkinson-hyperlegible-next/index.css";
import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { client } from "./api/cache";
import { App } from "./shell/App";
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
