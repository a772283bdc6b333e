/** The house around every station: docket, rail, and what was come for in the middle. */

import Box from "@mui/material/Box";
import { visuallyHidden } from "@mui/utils";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { Outlet, useLocation, useNavigate } from "react-router";
import { ink } from "../theme";
import { t } from "../words";
import { DocketBar } from "./DocketBar";
import { FootRail } from "./FootRail";
import { KeysOn, RESTS, useKeys } from "./keys";
import { ActionSlot } from "./MainAction";
import { NewVersion } from "./NewVersion";
import { Rail } from "./Rail";
import { Since } from "./Since";
import { ErrorBoundary, Waiting } from "./states";
import { PAGES, STATIONS } from "./stations";
import { Undo } from "./Undo";
import { UnsentLine } from "./UnsentLine";
import { useRememberDocket } from "./useDocket";
import { NEW_HERE, useStored } from "./useStored";
import { useKeepTheDay } from "./useTheDay";

const Round = lazy(async () => ({ default: (await import("./Round")).Round }));
const Keys = lazy(async () => ({ default: (await import("./Keys")).Keys }));

export const House = () => {
  useRememberDocket();
  useKeepTheDay();
  const [on, setOn] = useStored("single keys", true);
  const [fresh, setFresh] = useStored(NEW_HERE, false);
  const [asking, setAsking] = useState(false);
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  return (
    <KeysOn value={on}>
      <Undo>
        <SkipLink />
        <Box sx={{ height: "100dvh", display: "flex", flexDirection: "column" }}>
          <DocketBar />
          <Box sx={{ flex: 1, minHeight: 0, display: "flex" }}>
            <Rail askForKeys={() => setAsking(true)} />
            <Box sx={{ flex: 1, minWidth: 0, display: "flex", flexDirection: "column" }}>
              <UnsentLine />
              <NewVersion />
              <Since />
              <ActionSlot value={slot}>
                <Main askForKeys={() => setAsking(true)} />
              </ActionSlot>
              <Box ref={setSlot} sx={{ flexShrink: 0, background: ink.paper }} />
            </Box>
          </Box>
          <FootRail askForKeys={() => setAsking(true)} />
        </Box>
        {fresh && (
          <Suspense>
            <Round close={() => setFresh(false)} />
          </Suspense>
        )}
        {asking && (
          <Suspense>
            <Keys on={on} setOn={setOn} close={() => setAsking(false)} />
          </Suspense>
        )}
      </Undo>
    </KeysOn>
  );
};

/** What was come for: it has the focus when somebody has come to it, and a name of its own. */
const Main = ({ askForKeys }: { askForKeys: () => void }) => {
  const { pathname, search } = useLocation();
  const navigate = useNavigate();
  const main = useRef<HTMLElement>(null);
  const page = PAGES.find(({ path }) => path === pathname);
  const name = page ? t(page.name) : "";
  // Where somebody has gone to has the focus; where they begin nothing has it yet.
  const from = useRef(name);
  useEffect(() => {
    document.title = name ? `${name} · Fair Corner` : "Fair Corner";
    if (from.current !== name) main.current?.focus({ preventScroll: true });
    from.current = name;
  }, [name]);
  useKeys((key) => {
    const station = STATIONS[Number(key) - 1];
    if (station) void navigate({ pathname: station.path, search });
    else if (key === "?") askForKeys();
    else return false;
    return true;
  });
  // Whoever leaves a field or a button with Escape has the keys again.
  useEffect(() => {
    const leave = (event: KeyboardEvent) => {
      if (event.key !== "Escape" || event.defaultPrevented) return;
      if (document.querySelector(".MuiModal-root") === null)
        main.current?.focus({ preventScroll: true });
    };
    window.addEventListener("keydown", leave);
    return () => window.removeEventListener("keydown", leave);
  }, []);
  return (
    <Box
      ref={main}
      id="main"
      component="main"
      // It scrolls, so that a keyboard has to come to it.
      tabIndex={0}
      {...{ [RESTS]: "" }}
      aria-label={name}
      sx={{ flex: 1, minHeight: 0, p: 1.5, overflow: "auto", ...ring }}
    >
      {page?.bare && (
        <Box component="h1" sx={visuallyHidden} data-unseen>
          {name}
        </Box>
      )}
      <ErrorBoundary>
        <Suspense fallback={<Waiting />}>
          <Outlet />
        </Suspense>
      </ErrorBoundary>
    </Box>
  );
};

/** Inside its edge, where it is not cut off. */
const ring = {
  outline: "none",
  "&:focus-visible": { outline: `2px solid ${ink.teal}`, outlineOffset: -2 },
} as const;

/** For whoever does not want to go past docket and rail every time. */
const SkipLink = () => (
  <Box
    component="a"
    href="#main"
    data-unseen
    onClick={(event) => {
      event.preventDefault();
      document.getElementById("main")?.focus();
    }}
    sx={{
      position: "fixed",
      left: 8,
      top: -80,
      zIndex: 2000,
      p: 1.5,
      background: ink.marigold,
      color: ink.ink,
      fontWeight: 700,
      "&:focus": { top: 8 },
      "@media print": { display: "none" },
    }}
  >
    {t("shell.to what this page shows")}
  </Box>
);
