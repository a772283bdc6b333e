/** The way to leaving the wheels on a hill, where a stop beside a kerb or verge is planned. */
import Button from "@mui/material/Button";
import { Link, useLocation } from "react-router";
import { t } from "../words";

export const OnAHill = () => {
  const { search } = useLocation();
  return (
    <Button
      component={Link}
      to={{ pathname: "/hill", search }}
      sx={{ alignSelf: "flex-start", flexShrink: 0 }}
    >
      {t("shell.on a hill")}
    </Button>
  );
};
