/** What is seen at a stop: one view, or both mirrors where the eyes change over; large at a touch. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useId, useState } from "react";
import type { Frame, Picture, Spot } from "../../api/types";
import { frameAt } from "../../drawing/film";
import { SaveDrawing } from "../../drawing/SaveDrawing";
import { SightPicture } from "../../drawing/SightPicture";
import { type Scrub, useScrubbed } from "../../drawing/scrub";
import { ink } from "../../theme";
import { named, t } from "../../words";

export interface View {
  picture: Picture;
  /** What a drawing of it is called. */
  label: string;
  /** In which glass, where there is more than one view. */
  through: string;
  /** What is seen in it. */
  said: string;
}

/** What is seen at a stop; nothing where nothing is. */
export const viewOf = (spot: Spot | null, label: string): View[] =>
  spot?.picture
    ? [
        {
          picture: spot.picture,
          label,
          through: spot.candidates[0]?.through ?? "",
          said: spot.seen?.text ?? "",
        },
      ]
    : [];

interface Props {
  /** This stop, and the next one where it is looked for in the other mirror. */
  views: readonly View[];
  /** The way as it is seen at this stop, and how far along it is followed; a picture stands else. */
  film?: readonly Frame[] | undefined;
  scrub?: Scrub;
  /** Where there is little room: what lies about the mark; whole at a touch. */
  closeUp?: boolean;
}

export const Views = ({ views, closeUp = false, ...followed }: Props) => {
  const [large, setLarge] = useState(false);
  const heading = useId();
  if (views.length === 0) return null;
  return (
    <>
      <ButtonBase
        aria-label={t("cues.larger", { what: views[0]?.label ?? "" })}
        onClick={() => setLarge(true)}
        sx={{ display: "block", width: "100%", textAlign: "left", cursor: "zoom-in" }}
      >
        <Side views={views} {...followed} closeUp={closeUp} />
      </ButtonBase>
      <Dialog
        open={large}
        onClose={() => setLarge(false)}
        fullWidth
        maxWidth="xl"
        aria-labelledby={heading}
      >
        <DialogTitle id={heading}>{views[0]?.label}</DialogTitle>
        <DialogContent sx={{ px: { xs: 1, sm: 2 } }}>
          <Side views={views} {...followed} saved />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setLarge(false)}>{t("shell.close")}</Button>
        </DialogActions>
      </Dialog>
    </>
  );
};

/** Beside each other, one after the other in time. */
const Side = ({
  views,
  film,
  scrub,
  closeUp = false,
  saved = false,
}: Props & { saved?: boolean }) => (
  <Box
    sx={{
      display: "grid",
      gridTemplateColumns: `repeat(${views.length}, minmax(0, 1fr))`,
      gap: 0.75,
      // As large as the window lets one of them be, and no taller.
      maxWidth: saved && views.length === 1 ? "calc((100vh - 180px) * 1.6)" : undefined,
      mx: "auto",
    }}
  >
    {views.map(({ picture, label, through, said }, i) => (
      <Box key={label}>
        <Box sx={{ position: "relative" }}>
          {i === 0 && scrub ? (
            <Followed picture={picture} label={label} film={film} scrub={scrub} />
          ) : (
            <SightPicture picture={picture} label={label} closeUp={closeUp} />
          )}
          {saved && <SaveDrawing name={label} ground={ink.sky} at={{ right: 6, top: 6 }} />}
        </Box>
        {views.length > 1 && (
          <Box sx={{ fontSize: 13, fontWeight: 700, lineHeight: 1.25, py: 0.5 }}>
            {t(i === 0 ? "cues.looked now" : "cues.looked then", { name: named(through) })}
          </Box>
        )}
        {saved && <Box sx={{ fontSize: 15 }}>{said}</Box>}
      </Box>
    ))}
  </Box>
);

interface FollowedProps extends Pick<View, "picture" | "label"> {
  film: readonly Frame[] | undefined;
  scrub: Scrub;
}

/** The picture rolled on as far as the ribbon is followed. */
const Followed = ({ picture, label, film, scrub }: FollowedProps) => {
  const s = useScrubbed(scrub);
  const moved = film && s !== null ? frameAt(film, s) : null;
  return <SightPicture picture={picture} moved={moved} label={label} />;
};
