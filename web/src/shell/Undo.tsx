/** What was just put out of sight is told for a while, with one press to have it back. */

import Button from "@mui/material/Button";
import Snackbar from "@mui/material/Snackbar";
import { createContext, type ReactNode, useContext, useState } from "react";
import { t } from "../words";

interface Offer {
  said: string;
  undo: () => void;
}

const Offers = createContext<(offer: Offer) => void>(() => undefined);

/** Tells what was done, and offers to undo it. */
export const useUndo = () => useContext(Offers);

// Long enough to read it, and to reach for it.
const SHOWN = 12_000;

export const Undo = ({ children }: { children: ReactNode }) => {
  const [offer, setOffer] = useState<Offer | null>(null);
  const close = () => setOffer(null);
  return (
    <Offers value={setOffer}>
      {children}
      <Snackbar
        key={offer?.said}
        open={offer !== null}
        autoHideDuration={SHOWN}
        onClose={(_, why) => why !== "clickaway" && close()}
        message={offer?.said}
        action={
          <Button
            color="inherit"
            onClick={() => {
              offer?.undo();
              close();
            }}
          >
            {t("shell.undo")}
          </Button>
        }
      />
    </Offers>
  );
};
