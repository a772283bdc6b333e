/** The plan: tarmac and chalk, to scale, the same drawing in every station. */
import Box from "@mui/material/Box";
import { type ReactNode, useMemo } from "react";
import { ruler } from "../shell/units";
import { useUnits } from "../shell/useDocket";
import { ink } from "../theme";
import { type Bounds, FrameProvider, makeFrame } from "./frame";
import { SaveDrawing } from "./SaveDrawing";
import { useSize } from "./useSize";

/** Above the scale, where the drawing is large enough to be one. */
const SAVED_FROM = 400;
const SAVED_AT = { right: 8, bottom: 34 };

interface Props {
  bounds: Bounds;
  label: string;
  children: ReactNode;
  overlay?: ReactNode;
  /** Whether what stands there has its name on it: not where fields would lie over names. */
  named?: boolean;
  /** Whether parts of the drawing lead somewhere: then it is no mere picture. */
  links?: boolean;
}

/** `children` are SVG, `overlay` are controls laid over it; both find the frame by useFrame. */
export const Slab = ({ bounds, label, children, overlay, named = true, links = false }: Props) => {
  const [ref, { width, height }] = useSize();
  const ready = width > 0 && height > 0;
  // The same as long as nothing of it changes: all that is drawn is drawn by it.
  const { left, right, bottom, top } = bounds;
  const frame = useMemo(
    () => makeFrame(Math.max(width, 1), Math.max(height, 1), { left, right, bottom, top }, named),
    [width, height, left, right, bottom, top, named],
  );
  return (
    <Box
      ref={ref}
      sx={{
        position: "relative",
        width: "100%",
        height: "100%",
        borderRadius: 2,
        overflow: "hidden",
        background: ink.tarmac,
      }}
    >
      {ready && (
        <FrameProvider value={frame}>
          <svg
            width={width}
            height={height}
            role={links ? "group" : "img"}
            aria-label={label}
            data-scale={frame.scale}
            style={{ display: "block", position: "absolute" }}
          >
            {children}
            <ScaleBar scale={frame.scale} width={width} height={height} />
          </svg>
          {overlay}
          {width > SAVED_FROM && <SaveDrawing name={label} ground={ink.tarmac} at={SAVED_AT} />}
        </FrameProvider>
      )}
    </Box>
  );
};

const ScaleBar = ({ scale, width, height }: { scale: number; width: number; height: number }) => {
  const { bar, unit, metres } = ruler(useUnits());
  const length = bar * metres * scale;
  return (
    <g data-scale-bar transform={`translate(${width - length - 16} ${height - 12})`}>
      {/* Read on whatever lies there, light ground too. */}
      <rect x={-6} y={-17} width={length + 12} height={21} rx={3} fill={ink.tarmac} />
      <path d={`M0 -5V0H${length}V-5`} fill="none" stroke={ink.chalk} strokeWidth={1.5} />
      <text x={length / 2} y={-4} fill={ink.chalk} fontSize={11} textAnchor="middle">
        {bar} {unit}
      </text>
    </g>
  );
};
