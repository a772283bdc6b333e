/** Who is signed in, and which station they stand in. */

import { useQuery, useQueryClient, useSuspenseQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useMemo, useRef } from "react";
import { Navigate, Route, Routes } from "react-router";
import { ApiError } from "../api/client";
import { docketQuery, sessionQuery } from "../api/queries";
import type { Session } from "../api/types";
import { keepFetched } from "../device/fetched";
import { isInstalled } from "../device/installed";
import { House } from "./House";
import { SignIn } from "./SignIn";
import { ErrorBoundary, Waiting } from "./states";
import { useDocketIds } from "./useDocket";
import { useLanguage } from "./useLanguage";
import { adopt } from "./useStored";

const Begin = lazy(() => import("../begin/Begin"));
const Join = lazy(() => import("../begin/Join"));
const FirstSteps = lazy(() => import("../begin/FirstSteps"));
const SeatStation = lazy(() => import("../stations/seat/SeatStation"));
const GroundStation = lazy(() => import("../stations/ground/GroundStation"));
const cuesStation = () => import("../stations/cues/CuesStation");
const CuesStation = lazy(cuesStation);
const DriveStation = lazy(() => import("../stations/drive/DriveStation"));
const TapeStation = lazy(() => import("../stations/tape/TapeStation"));
const ShiftStation = lazy(() => import("../stations/shift/ShiftStation"));
const CardPage = lazy(() => import("../stations/card/CardPage"));
const Compare = lazy(() => import("../stations/compare/Compare"));
const People = lazy(() => import("../desk/People"));
const Diary = lazy(() => import("../lessons/Diary"));
const LessonPage = lazy(() => import("../lessons/LessonPage"));
const History = lazy(() => import("../lessons/History"));
const MockTests = lazy(() => import("../mock/MockTests"));
const Garage = lazy(() => import("../desk/Garage"));
const School = lazy(() => import("../desk/School"));
const Hill = lazy(() => import("../desk/Hill"));
const Trailer = lazy(() => import("../desk/Trailer"));
const Places = lazy(() => import("../desk/Places"));
const Methods = lazy(() => import("../desk/Methods"));
const Standards = lazy(() => import("../desk/standard/Standards"));

// Where whoever teaches comes in: fetched while the session is asked for, or the password typed.
if (["/", "/cues"].includes(window.location.pathname)) cuesStation().catch(() => undefined);

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
  // Whoever learns has come for their card.
  const teaches = session.person?.role !== "learner";
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
        <Route path="/seat" element={<SeatStation />} />
        <Route path="/ground" element={<GroundStation />} />
        <Route path="/cues" element={<CuesStation />} />
        <Route path="/drive" element={<DriveStation />} />
        <Route path="/tape" element={<TapeStation />} />
        <Route path="/shift" element={<ShiftStation />} />
        <Route path="/card" element={<CardPage />} />
        <Route path="/compare" element={<Compare />} />
        <Route path="/people" element={<People />} />
        <Route path="/lesson" element={<LessonPage />} />
        <Route path="/history" element={<History />} />
        <Route path="/mock-tests" element={<MockTests />} />
        <Route path="/diary" element={<Diary />} />
        <Route path="/garage" element={<Garage />} />
        <Route path="/school" element={<School />} />
        <Route path="/hill" element={<Hill />} />
        <Route path="/trailer" element={<Trailer />} />
        <Route path="/places" element={<Places />} />
        <Route path="/methods" element={<Methods />} />
        <Route path="/standards" element={<Standards />} />
      </Route>
      {/* Outside the house, which would rewrite the address while it is being left. */}
      <Route path="*" element={<Navigate to={teaches ? "/cues" : "/card"} replace />} />
    </Routes>
  );
};
