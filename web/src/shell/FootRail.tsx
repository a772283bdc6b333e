/** The rail of a phone: the round at its foot, the desk behind one more button. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Divider from "@mui/material/Divider";
import Drawer from "@mui/material/Drawer";
import { useState } from "react";
import { NavLink, useLocation } from "react-router";
import { ink } from "../theme";
import { t } from "../words";
import { SignOut } from "./SignOut";
import { StationDisc } from "./StationDisc";
import { DESK, STATIONS } from "./stations";
import { useDocket } from "./useDocket";

const place = {
  flex: 1,
  minWidth: 0,
  minHeight: 56,
  display: "grid",
  placeItems: "center",
  alignContent: "center",
  fontSize: 12,
  fontWeight: 650,
  textDecoration: "none",
  "&:focus-visible": { outline: `3px solid ${ink.coralText}`, outlineOffset: -3 },
} as const;

export const FootRail = ({ askForKeys }: { askForKeys: () => void }) => {
  const docket = useDocket();
  const { search, pathname } = useLocation();
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="nav"
      aria-label={t("shell.stations")}
      sx={{
        display: { xs: "flex", sm: "none" },
        flexShrink: 0,
        background: "#E3DBCB",
        "@media print": { display: "none" },
      }}
    >
      {STATIONS.map((station, i) => {
        const here = pathname === station.path;
        return (
          <Box
            key={station.path}
            component={NavLink}
            to={{ pathname: station.path, search }}
            sx={{
              ...place,
              color: here ? "#fff" : ink.ink,
              background: here ? ink.teal : "none",
            }}
          >
            <StationDisc number={i + 1} here={here} filled={station.filled(docket)} size={22} />
            {t(station.name)}
          </Box>
        );
      })}
      <ButtonBase aria-haspopup="dialog" onClick={() => setOpen(true)} sx={place}>
        <Box aria-hidden sx={{ fontSize: 18, lineHeight: "22px" }}>
          ⋯
        </Box>
        {t("shell.desk")}
      </ButtonBase>
      <Drawer
        anchor="bottom"
        open={open}
        onClose={() => setOpen(false)}
        slotProps={{ paper: { "aria-label": t("shell.desk") } }}
      >
        <Box
          component="nav"
          aria-label={t("shell.desk")}
          onClick={() => setOpen(false)}
          sx={{ p: 1, display: "grid", gridTemplateColumns: "1fr 1fr", gap: 0.5 }}
        >
          {DESK.map((desk) => (
            <Button
              key={desk.path}
              component={NavLink}
              to={{ pathname: desk.path, search }}
              sx={{ color: ink.ink, "&.active": { background: ink.teal, color: "#fff" } }}
            >
              {t(desk.name)}
            </Button>
          ))}
          <Divider sx={{ gridColumn: "1 / -1" }} />
          <Button sx={{ color: ink.ink }} onClick={askForKeys}>
            {t("shell.keys")}
          </Button>
          <SignOut />
        </Box>
      </Drawer>
    </Box>
  );
};
