/** What this device keeps: what still has to be sent, what was fetched, and what was typed. */

import type { DehydratedState } from "@tanstack/react-query";
import { type DBSchema, type IDBPDatabase, openDB } from "idb";

/** What somebody may note without a line. */
export type What =
  | "attempt"
  | "readings"
  | "second tape"
  | "notes"
  | "stated"
  | "void"
  | "lesson"
  | "lesson begun";

/** Something noted here that the server is to have: once, and in the order it was noted. */
export interface Unsent {
  /** Its place in the order; the database gives it. */
  seq?: number;
  person: number;
  /** Who noted it, and when. */
  by: string;
  at: string;
  what: What;
  /** Whose it is and of what, to be read. */
  of: string;
  /** What it is about: what is about the same waits for what was noted before it. */
  about: string;
  method: "post" | "put";
  path: string;
  params: Record<string, string | number>;
  body: Readonly<Record<string, unknown>>;
  /** What the server said to it, where it would not have it; null while it waits. */
  refused: string | null;
  /** Somebody has said that it is not to be sent; it can be read here still. */
  left: boolean;
}

/** An answer as it was fetched, and by which build's shapes. */
export interface Fetched {
  person: number;
  hash: string;
  made: string;
  query: DehydratedState["queries"][number];
}

/** What was typed, by its key; null where it is gone. */
export interface Typed {
  key: string;
  text: string | null;
  at: number;
}

interface Kept extends DBSchema {
  unsent: { key: number; value: Unsent; indexes: { person: number } };
  fetched: { key: [number, string]; value: Fetched; indexes: { person: number } };
  kept: { key: string; value: Typed };
}

export type Store = IDBPDatabase<Kept>;

const VERSION = 1;

export const openStore = (name = "fair-corner"): Promise<Store> =>
  openDB<Kept>(name, VERSION, {
    upgrade(db) {
      const unsent = db.createObjectStore("unsent", { keyPath: "seq", autoIncrement: true });
      unsent.createIndex("person", "person");
      const fetched = db.createObjectStore("fetched", { keyPath: ["person", "hash"] });
      fetched.createIndex("person", "person");
      db.createObjectStore("kept", { keyPath: "key" });
    },
  });

let opened: Promise<Store> | null = null;

/** The one store, opened when it is first needed. Rejects where a browser keeps nothing. */
export const store = (): Promise<Store> => {
  opened ??= openStore();
  return opened;
};
