/** The rail: the round in its order, then the desk. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Divider from "@mui/material/Divider";
import { NavLink, useLocation } from "react-router";
import { ink } from "../theme";
import { t } from "../words";
import { SignOut } from "./SignOut";
import { StationDisc } from "./StationDisc";
import { DESK, STATIONS } from "./stations";
import { useDocket } from "./useDocket";

export const Rail = ({ askForKeys }: { askForKeys: () => void }) => {
  const docket = useDocket();
  const { search, pathname } = useLocation();
  return (
    <Box
      component="nav"
      aria-label={t("shell.stations")}
      sx={{
        width: "max-content",
        minWidth: 92,
        maxWidth: 140,
        flexShrink: 0,
        background: "#E3DBCB",
        p: 1,
        display: { xs: "none", sm: "flex" },
        flexDirection: "column",
        overflowY: "auto",
        "@media print": { display: "none" },
      }}
    >
      {STATIONS.map((station, i) => {
        const here = pathname === station.path;
        const filled = station.filled(docket);
        return (
          <Box
            key={station.path}
            component={NavLink}
            to={{ pathname: station.path, search }}
            title={t("shell.station and its key", { name: t(station.name), key: i + 1 })}
            sx={{
              display: "grid",
              placeItems: "center",
              gap: 0.25,
              py: 0.25,
              borderRadius: 2,
              textDecoration: "none",
              fontWeight: 650,
              fontSize: 14,
              color: here ? "#fff" : ink.ink,
              background: here ? ink.teal : "transparent",
              "&:focus-visible": { outline: `3px solid ${ink.coral}` },
            }}
          >
            <StationDisc number={i + 1} here={here} filled={filled} />
            {t(station.name)}
          </Box>
        );
      })}
      <Divider sx={{ my: 0.5 }} />
      {DESK.map((desk) => (
        <Button
          key={desk.path}
          component={NavLink}
          to={{ pathname: desk.path, search }}
          size="small"
          sx={{
            minHeight: 34,
            color: ink.ink,
            px: 0.5,
            "&.active": { background: ink.teal, color: "#fff" },
          }}
        >
          {t(desk.name)}
        </Button>
      ))}
      <Box sx={{ flex: 1 }} />
      <Button size="small" sx={{ color: ink.soft }} onClick={askForKeys}>
        {t("shell.keys")}
      </Button>
      <SignOut colour={ink.soft} />
    </Box>
  );
};
