/** The place under every drawing, whichever kind it is. */
import type { GroundBody } from "../api/types";
import { BayScene } from "./BayScene";
import { KerbScene } from "./KerbScene";

export const PlaceScene = ({ ground }: { ground: GroundBody }) =>
  ground.goal.kind === "bay" ? <BayScene ground={ground} /> : <KerbScene ground={ground} />;
