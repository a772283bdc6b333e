/** The look: paper, ink, tarmac and chalk. Colour never carries a meaning alone. */
import { createTheme } from "@mui/material/styles";

export const ink = {
  paper: "#EFEAE0",
  sheet: "#FCFAF5",
  ink: "#1E2B2D",
  soft: "#4F5B5C",
  tarmac: "#4A5257",
  chalk: "#F4EFE4",
  footpath: "#B9B09F",
  verge: "#8C9A78",
  teal: "#0F5257",
  pale: "#CFE5E1",
  marigold: "#FFD36B",
  buff: "#F5E2AE",
  coral: "#E4572E",
  coralText: "#B23A17",
  ochre: "#8A5B00",
  plum: "#6B2D7C",
  parked: "#8B8371",
  line: "#DAD3C4",
  cabin: "#232E31",
  sky: "#DCE5E8",
} as const;

const family = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';

export const theme = createTheme({
  palette: {
    primary: { main: ink.teal },
    secondary: { main: ink.plum },
    error: { main: ink.coralText },
    warning: { main: ink.ochre },
    background: { default: ink.paper, paper: ink.sheet },
    text: { primary: ink.ink, secondary: ink.soft },
    divider: ink.line,
  },
  // Whoever has asked their device for less motion has none here.
  motion: { reducedMotion: "system" },
  shape: { borderRadius: 8 },
  typography: {
    fontFamily: family,
    fontSize: 14,
    h1: { fontSize: "1.5rem", fontWeight: 700 },
    h2: { fontSize: "1.15rem", fontWeight: 700 },
    h3: { fontSize: "1rem", fontWeight: 700 },
    button: { textTransform: "none", fontWeight: 650 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: "tabular-nums", overflow: "hidden" },
        "@media print": { body: { overflow: "visible", background: "#fff" } },
      },
    },
    MuiButtonBase: { styleOverrides: { root: { fontFamily: family } } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      // A finger needs more than a pointer.
      styleOverrides: { root: { "@media (pointer: coarse)": { minHeight: 44 } } },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          color: ink.ink,
          "&.Mui-selected, &.Mui-selected:hover": { background: ink.teal, color: "#fff" },
        },
      },
    },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiTooltip: { defaultProps: { arrow: true } },
    // A label stands on its field's upper edge and takes the lines it needs, in any language.
    MuiInputLabel: {
      defaultProps: { shrink: true },
      styleOverrides: {
        root: {
          position: "relative",
          transform: "none",
          zIndex: 1,
          alignSelf: "flex-start",
          maxWidth: "calc(100% - 12px)",
          margin: "-8px 6px -6px",
          padding: "0 4px",
          borderRadius: 8,
          background: ink.sheet,
          fontSize: 12,
          lineHeight: "14px",
          whiteSpace: "normal",
          hyphens: "auto",
          overflowWrap: "anywhere",
        },
      },
    },
    MuiOutlinedInput: {
      styleOverrides: {
        root: { background: ink.sheet },
        notchedOutline: { top: 0, "& legend": { display: "none" } },
      },
    },
    MuiSelect: { styleOverrides: { select: { whiteSpace: "normal" } } },
  },
});
