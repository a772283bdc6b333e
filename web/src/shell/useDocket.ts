/** The docket: five choices in the address, remembered between visits, shared by all stations. */
import { useQueryClient, useSuspenseQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { type DocketIds, docketQuery, sessionQuery } from "../api/queries";
import type { Docket, School } from "../api/types";
import { keep } from "../device/kept";

const STUBS = ["learner", "seat", "ground", "method", "standard"] as const;
/** An older sheet is looked at by the address alone: the next visit finds the one last used. */
const ASKED = [...STUBS, "sheet"] as const;
const keyFor = (school: number) => `fair-corner/docket/${school}`;

const fromText = (read: (stub: string) => string | null): DocketIds => {
  const ids: DocketIds = {};
  for (const stub of ASKED) {
    const value = Number(read(stub));
    if (Number.isInteger(value) && value > 0) ids[stub] = value;
  }
  return ids;
};

export const useSchool = (): School => {
  const { data } = useSuspenseQuery(sessionQuery);
  if (!data.school) throw new Error("useSchool: nobody is signed in; render inside <App>");
  return data.school;
};

export const useUnits = () => useSchool().units;

/** The name of who is signed in. */
export const useMe = () => useSuspenseQuery(sessionQuery).data.person?.name;

/** What the caller may do; the server holds to the same. */
export const useMay = () => {
  const role = useSuspenseQuery(sessionQuery).data.person?.role ?? "learner";
  return {
    /** Give lessons: drive, note, tape, take advice, book. */
    teach: role !== "learner",
    /** Change what the school has in common: vehicles, places, methods, learners. */
    shape: role === "lead" || role === "instructor",
    lead: role === "lead",
  };
};

/** What the address asks for; where it asks for nothing, what was chosen last in this browser. */
export const docketIds = (school: number, search: URLSearchParams): DocketIds => {
  const asked = fromText((stub) => search.get(stub));
  if (Object.keys(asked).length > 0) return asked;
  const kept = JSON.parse(localStorage.getItem(keyFor(school)) ?? "{}");
  return fromText((stub) => kept[stub] ?? null);
};

export const useDocketIds = (): DocketIds => {
  const school = useSchool();
  const [search] = useSearchParams();
  return useMemo(() => docketIds(school.id, search), [search, school.id]);
};

export const useDocket = () => useSuspenseQuery(docketQuery(useDocketIds())).data;

/** Changes stubs; every station follows, and the address can be sent to somebody else.
 *  `dropped` stubs no longer suit: the server brings others that do. */
export const useChangeDocket = () => {
  const ids = useDocketIds();
  const navigate = useNavigate();
  return useCallback(
    (change: DocketIds, dropped: (keyof DocketIds)[] = []) => {
      const next = new URLSearchParams();
      // Another learner brings their own last docket along.
      const kept = change.learner === undefined ? ids : {};
      // And none of them keeps to one sheet, unless it is asked for.
      for (const [stub, id] of Object.entries({ ...kept, sheet: 0, ...change }))
        if (id && !dropped.includes(stub as keyof DocketIds)) next.set(stub, String(id));
      navigate({ search: next.toString() });
    },
    [ids, navigate],
  );
};

/** The address without what it names of one learner's work, for when other work is taken up. */
export const without = (search: string, name: "sheet" | "attempt"): string => {
  const next = new URLSearchParams(search);
  next.delete(name);
  return next.toString();
};

/** A docket by all that it holds, as its address names it. */
export const idsOf = (docket: Docket) => ({
  learner: docket.learner.id,
  seat: docket.seat.document_id,
  ground: docket.ground.document_id,
  method: docket.method.document_id,
  standard: docket.standard.document_id,
});

/** Writes the resolved docket into the address and the memory of this browser. */
export const useRememberDocket = () => {
  const school = useSchool();
  const docket = useDocket();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const client = useQueryClient();
  useEffect(() => {
    const ids = idsOf(docket);
    keep(keyFor(school.id), JSON.stringify(ids));
    const next = new URLSearchParams(search);
    for (const stub of STUBS) next.set(stub, String(ids[stub]));
    // The address names what has just been answered: it is not asked for again.
    const { queryKey } = docketQuery(ids);
    if (!client.getQueryData(queryKey)) client.setQueryData(queryKey, docket);
    if (Number(search.get("sheet")) !== docket.sheet_id) next.delete("sheet");
    // Somebody quick may be on the way to another station already: that way is kept to.
    const { pathname, search: address } = window.location;
    const overtaken = new URLSearchParams(address).toString() !== search.toString();
    if (!overtaken && next.toString() !== search.toString())
      navigate({ pathname, search: next.toString() }, { replace: true });
  }, [docket, school.id, search, navigate, client]);
};
