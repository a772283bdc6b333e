import "@fontsource-variable/atkinson-hyperlegible-next/index.css";
import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { ApiError } from "./api/client";
import { App } from "./shell/App";
import { theme } from "./theme";

const client = new QueryClient({
  defaultOptions: {
    queries: {
      // Asking again helps when the line failed, not when the server has said no.
      retry: (count, error) => count < 2 && !(error instanceof ApiError && error.status > 0),
      staleTime: 15_000,
    },
  },
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
