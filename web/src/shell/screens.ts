/** Every screen by its address; each is fetched when it is needed, or before. */
import { type ComponentType, createElement, lazy, useState } from "react";

interface Screen {
  /** What draws it; waits itself where the screen is not there yet. */
  component: () => ComponentType;
  /** Resolves once the screen can be drawn without waiting. */
  preload: () => Promise<unknown>;
}

/**
 * A screen that was preloaded is drawn at once. React's own `lazy` waits even then, and what it
 * shows meanwhile stays for 300 ms.
 */
const screen = (load: () => Promise<{ default: ComponentType }>): Screen => {
  let ready: ComponentType | null = null;
  const preload = async () => {
    const loaded = await load();
    ready = loaded.default;
    return loaded;
  };
  const Later = lazy(preload);
  return { component: () => ready ?? Later, preload };
};

export const SCREENS: Readonly<Record<string, Screen>> = {
  "/seat": screen(() => import("../stations/seat/SeatStation")),
  "/ground": screen(() => import("../stations/ground/GroundStation")),
  "/cues": screen(() => import("../stations/cues/CuesStation")),
  "/drive": screen(() => import("../stations/drive/DriveStation")),
  "/tape": screen(() => import("../stations/tape/TapeStation")),
  "/shift": screen(() => import("../stations/shift/ShiftStation")),
  "/card": screen(() => import("../stations/card/CardPage")),
  "/compare": screen(() => import("../stations/compare/Compare")),
  "/people": screen(() => import("../desk/People")),
  "/lesson": screen(() => import("../lessons/LessonPage")),
  "/history": screen(() => import("../lessons/History")),
  "/mock-tests": screen(() => import("../mock/MockTests")),
  "/diary": screen(() => import("../lessons/Diary")),
  "/garage": screen(() => import("../desk/Garage")),
  "/school": screen(() => import("../desk/School")),
  "/hill": screen(() => import("../desk/Hill")),
  "/trailer": screen(() => import("../desk/Trailer")),
  "/places": screen(() => import("../desk/Places")),
  "/methods": screen(() => import("../desk/Methods")),
  "/standards": screen(() => import("../desk/standard/Standards")),
};

/** Where somebody comes in who named no screen: learners come for their card. */
export const firstScreen = (role: string): string => (role === "learner" ? "/card" : "/cues");

/** A screen, chosen once: another component in its place would lose what is typed. */
export const Show = ({ path }: { path: string }) => {
  const [chosen] = useState(() => SCREENS[path]?.component());
  return chosen ? createElement(chosen) : null;
};
