/** The place under every drawing, whichever kind it is. */
import type { GroundBody } from "../api/types";
import { BayScene } from "./BayScene";
import { CornerScene } from "./CornerScene";
import { KerbScene } from "./KerbScene";

export const PlaceScene = ({ ground }: { ground: GroundBody }) => {
  switch (ground.goal.kind) {
    case "bay":
      return <BayScene ground={ground} />;
    case "corner":
      return <CornerScene ground={ground} />;
    default:
      return <KerbScene ground={ground} />;
  }
};
