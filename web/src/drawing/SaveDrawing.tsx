/** Any drawing as a file of its own: SVG, as it stands on the screen. */

import ButtonBase from "@mui/material/ButtonBase";
import { download } from "../shell/download";
import { ink } from "../theme";
import { t } from "../words";

const SVG = "http://www.w3.org/2000/svg";

/** A drawing that needs no style sheet and nothing round it. */
const alone = (drawing: SVGSVGElement, ground: string): string => {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const { width, height } = drawing.getBoundingClientRect();
  copy.setAttribute("xmlns", SVG);
  copy.setAttribute("width", String(width));
  copy.setAttribute("height", String(height));
  copy.setAttribute("font-family", "Atkinson Hyperlegible Next, sans-serif");
  const behind = document.createElementNS(SVG, "rect");
  for (const side of ["width", "height"]) behind.setAttribute(side, "100%");
  behind.setAttribute("fill", ground);
  copy.prepend(behind);
  return new XMLSerializer().serializeToString(copy);
};

interface Props {
  /** What is drawn, for the button and the file. */
  name: string;
  /** The colour the drawing lies on. */
  ground: string;
  /** Where the button stands. */
  at: { right: number; bottom?: number; top?: number };
}

/** In the corner of a drawing, beside it in the same box: hands it over. */
export const SaveDrawing = ({ name, ground, at }: Props) => (
  <ButtonBase
    aria-label={t("drawing.save as SVG", { name })}
    title={t("drawing.save as SVG", { name })}
    onClick={(event) => {
      const drawing = event.currentTarget.parentElement?.querySelector("svg");
      if (!drawing) return;
      download(`${name}.svg`, new Blob([alone(drawing, ground)], { type: "image/svg+xml" }));
    }}
    sx={{
      position: "absolute",
      width: 24,
      height: 24,
      borderRadius: 1,
      background: ink.sheet,
      color: ink.ink,
      opacity: 0.85,
      "&:focus-visible": { outline: `2px solid ${ink.coral}` },
      "@media (pointer: coarse)": { width: 44, height: 44 },
      "@media print": { display: "none" },
      ...at,
    }}
  >
    <svg width={14} height={14} viewBox="0 0 16 16" aria-hidden="true">
      <path
        d="M8 2v8M4.5 7 8 10.5 11.5 7M3 13.5h10"
        fill="none"
        stroke="currentColor"
        strokeWidth={1.8}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  </ButtonBase>
);
