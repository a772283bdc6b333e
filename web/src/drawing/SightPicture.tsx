/** What the driver sees at a moment: polygons as the core painted them, in their order. */

import { memo, useId } from "react";
import type { CueMarks, Frame, Glass, Part, Picture } from "../api/types";
import { ink } from "../theme";

const COLOURS: Readonly<Record<string, string>> = {
  road: ink.tarmac,
  land: "#A9AE97",
  kerb: "#E6DECB",
  "kerb top": "#D5CCB6",
  line: ink.chalk,
  vehicle: "#B8A98A",
  "vehicle top": "#CDBFA1",
  "vehicle glass": "#6E7F84",
  wheel: "#20282B",
  cone: "#E8873A",
  own: "#3A484D",
  "own top": "#4A5B61",
  "own glass": "#5E6E73",
  handle: "#161D1F",
  door: "#20292C",
  pillar: "#2C373B",
  roof: "#38444A",
  dash: "#1B2326",
  "dash face": "#161D20",
  "steering wheel": "#0C1113",
  "mirror case": "#12191B",
  "mirror sky": ink.sky,
  "mirror rim": "none",
};
/** Walls, poles and whatever else stands there. */
const STANDING = "#8C7F6B";
const FLAT = new Set(["road", "land"]);

interface Props {
  picture: Picture;
  /** What of it has moved on; the cue is marked only where it is called. */
  moved?: Frame | null | undefined;
  label: string;
  /** Only what lies about the mark, for where there is little room. */
  closeUp?: boolean;
}

export const SightPicture = ({ picture, moved, label, closeUp = false }: Props) => {
  const [width, height] = picture.size;
  const { glass } = picture;
  const there = moved ?? picture;
  return (
    <svg
      viewBox={(closeUp ? aboutTheMark(picture) : [0, 0, width, height]).join(" ")}
      width="100%"
      role="img"
      aria-label={label}
      style={{ display: "block", background: ink.sky, borderRadius: 8 }}
    >
      <Parts parts={there.outside} />
      {picture.panes.length > 0 && (
        <path
          d={`M-9-9H${width + 9}V${height + 9}H-9Z${picture.panes.map(outline).join("")}`}
          fill={ink.cabin}
          fillRule="evenodd"
        />
      )}
      <Parts parts={picture.cabin} />
      {picture.panes.map((pane) => (
        <path
          key={pane.join()}
          d={outline(pane)}
          fill="none"
          stroke="#0C1315"
          strokeWidth={2.5}
          strokeLinejoin="round"
        />
      ))}
      <Parts parts={there.hung} />
      {!moved && picture.cue && <Cue cue={picture.cue} />}
      {glass && (
        <LargeGlass
          glass={glass}
          parts={moved?.glass ?? glass.parts}
          marked={!moved}
          at={cornerOf(picture, glass)}
        />
      )}
    </svg>
  );
};

/** The cabin stands while the rest moves. */
const Parts = memo(({ parts }: { parts: readonly Part[] }) => (
  <>
    {parts.map((part, i) => (
      <path
        // biome-ignore lint/suspicious/noArrayIndexKey: painted in this order, and nothing else tells two walls apart
        key={i}
        d={outline(part.points)}
        fill={COLOURS[part.kind] ?? STANDING}
        stroke={part.kind === "mirror rim" ? "#12191B" : "#10181A"}
        strokeOpacity={FLAT.has(part.kind) ? 0 : 0.55}
        strokeWidth={part.kind === "mirror rim" ? 3 : 0.8}
      />
    ))}
  </>
));

interface LargeProps {
  glass: Glass;
  parts: readonly Part[];
  marked: boolean;
  at: readonly [number, number];
}

const MARGIN = 22;

/** Where the enlarged mirror is drawn: beside what it enlarges, at the foot. */
const cornerOf = ({ cue, size: [width, height] }: Picture, { size }: Glass): [number, number] => {
  const left = (cue?.spot[0] ?? 0) > width / 2;
  return [left ? MARGIN : width - size[0] - MARGIN, height - size[1] - MARGIN];
};

/** How much of a picture's width a close-up shows, and how wide it is for its height. */
const CLOSE = 0.45;
const CLOSE_SHAPE = 2.6;

/** The part of a picture that a close-up shows: the enlarged mirror, or what lies about the mark. */
const aboutTheMark = (picture: Picture): [number, number, number, number] => {
  const { cue, glass, size } = picture;
  if (glass) {
    const [x, y] = cornerOf(picture, glass);
    return [x - MARGIN, y - MARGIN, glass.size[0] + 2 * MARGIN, glass.size[1] + 2 * MARGIN];
  }
  if (!cue) return [0, 0, ...size];
  const [width, height] = [size[0] * CLOSE, (size[0] * CLOSE) / CLOSE_SHAPE];
  const within = (middle: number, part: number, whole: number) =>
    Math.max(0, Math.min(middle - part / 2, whole - part));
  return [within(cue.spot[0], width, size[0]), within(cue.spot[1], height, size[1]), width, height];
};

/** The mirror by itself, enlarged, with what it shows. */
const LargeGlass = ({ glass, parts, marked, at: [x, y] }: LargeProps) => {
  const clip = useId();
  const [width, height] = glass.size;
  return (
    <g transform={`translate(${x} ${y})`}>
      <clipPath id={clip}>
        <path d={outline(glass.outline)} />
      </clipPath>
      <path
        d={outline(glass.outline)}
        fill="#12191B"
        stroke="#12191B"
        strokeWidth={22}
        strokeLinejoin="round"
      />
      <g clipPath={`url(#${clip})`}>
        <rect width={width} height={height} fill={ink.sky} />
        <Parts parts={parts} />
      </g>
      <path d={outline(glass.outline)} fill="none" stroke={ink.chalk} strokeWidth={2} />
      {marked && glass.cue && <Cue cue={glass.cue} />}
    </g>
  );
};

/** The thing or edge in coral, and a ring where to look. */
const Cue = ({ cue }: { cue: CueMarks }) => (
  <g fill="none" stroke={ink.coral} strokeLinecap="round">
    <path d={way(cue.line)} strokeWidth={4} />
    <circle cx={cue.spot[0]} cy={cue.spot[1]} r={8} strokeWidth={4} />
  </g>
);

const way = (points: readonly number[]): string =>
  points.map((v, i) => (i === 0 ? `M${v}` : i % 2 ? ` ${v}` : `L${v}`)).join("");

const outline = (points: readonly number[]): string => `${way(points)}Z`;
