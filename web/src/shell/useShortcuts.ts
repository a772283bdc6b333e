import { useEffect } from "react";
import { useLocation, useNavigate } from "react-router";
import { STATIONS } from "./stations";

/** Keys 1 to 6 switch stations, unless somebody is typing. */
export const useShortcuts = () => {
  const navigate = useNavigate();
  const { search } = useLocation();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement).closest("input, textarea, [role=menu]");
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      const station = STATIONS[Number(event.key) - 1];
      if (station) navigate({ pathname: station.path, search });
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [navigate, search]);
};
