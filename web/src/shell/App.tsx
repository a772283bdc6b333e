/** Who is signed in, and which station they stand in. */

import { useQuery, useQueryClient, useSuspenseQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useMemo, useRef } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import { ApiError } from "../api/client";
import { docketQuery, sessionQuery } from "../api/queries";
import type { Session } from "../api/types";
import { keepFetched } from "../device/fetched";
import { isInstalled } from "../device/installed";
import { House } from "./House";
import { SignIn } from "./SignIn";
import { firstScreen, SCREENS, Show } from "./screens";
import { ErrorBoundary, Waiting } from "./states";
import { useDocketIds } from "./useDocket";
import { useLanguage } from "./useLanguage";
import { adopt } from "./useStored";

const Begin = lazy(() => import("../begin/Begin"));
const Join = lazy(() => import("../begin/Join"));
const FirstSteps = lazy(() => import("../begin/FirstSteps"));

// Where whoever teaches comes in: fetched while the session is asked for, or the password typed.
if (["/", "/cues"].includes(window.location.pathname))
  SCREENS["/cues"]?.preload().catch(() => undefined);

export const App = () => (
  <ErrorBoundary>
    <Suspense fallback={<Waiting alone />}>
      <Routes>
        <Route path="/begin" element={<Begin />} />
        <Route path="/join" element={<Join />} />
        <Route path="*" element={<Gate />} />
      </Routes>
    </Suspense>
  </ErrorBoundary>
);

const Gate = () => {
  const { data: session } = useSuspenseQuery(sessionQuery);
  return session.person ? <Stations session={session} /> : <Door session={session} />;
};

/** Once the application is on the device, what is fetched stays there, too. */
const useKeptHere = (person: number) => {
  const client = useQueryClient();
  useEffect(() => {
    let over = false;
    const kept = isInstalled()
      .then(() => (over ? undefined : keepFetched(client, person)))
      .catch(() => undefined);
    return () => {
      over = true;
      void kept.then((stop) => stop?.());
    };
  }, [client, person]);
};

const Door = ({ session }: { session: Session }) => {
  useLanguage(session);
  return <SignIn />;
};

const Stations = ({ session }: { session: Session }) => {
  useMemo(() => session.person && adopt(session.person.id), [session.person]);
  useKeptHere(session.person?.id ?? 0);
  // Asked for while the words come; nothing can be drawn before there are both.
  const docket = useQuery(docketQuery(useDocketIds()));
  useLanguage(session);
  // Something of which the school has nothing yet; while more is fetched it is as it was.
  const begun = useRef<boolean | null>(null);
  if (docket.data) begun.current = true;
  else if (docket.error)
    begun.current = !(docket.error instanceof ApiError && docket.error.status === 409);
  if (begun.current === null) return <Waiting alone />;
  if (!begun.current) return <FirstSteps />;
  return (
    <Routes>
      <Route element={<House />}>
        {Object.keys(SCREENS).map((path) => (
          <Route key={path} path={path} element={<Show key={path} path={path} />} />
        ))}
      </Route>
      {/* Outside the house, which would rewrite the address while it is being left. */}
      <Route path="*" element={<ToTheFirstScreen role={session.person?.role ?? "learner"} />} />
    </Routes>
  );
};

/** With what the address asks for: without it the docket would be another, or none yet. */
const ToTheFirstScreen = ({ role }: { role: string }) => {
  const { search } = useLocation();
  return <Navigate to={{ pathname: firstScreen(role), search }} replace />;
};
