/** What comes after a tape: the same again, or the next exercise. */

import Button from "@mui/material/Button";
import { Link, useLocation } from "react-router";
import type { Attempt } from "../../api/types";
import { without } from "../../shell/useDocket";
import { t } from "../../words";
import { useFollowing } from "../drive/useFollowing";

export const AfterKept = ({ attempt }: { attempt: Attempt }) => {
  const search = without(useLocation().search, "attempt");
  const following = useFollowing();
  if (attempt.notes.help === "mock test")
    return (
      <Button
        component={Link}
        to={{ pathname: "/mock-tests", search }}
        variant="contained"
        size="large"
        sx={big}
      >
        {t("mock.on with the test")}
      </Button>
    );
  return (
    <>
      <Button
        component={Link}
        to={{ pathname: "/drive", search }}
        variant="contained"
        size="large"
        sx={big}
      >
        {t("tape.drive again")}
      </Button>
      <Button
        component={Link}
        to={following?.where ?? { pathname: "/cues", search }}
        variant="outlined"
        size="large"
        sx={big}
      >
        {following ? t("tape.next exercise", { what: following.what }) : t("tape.another exercise")}
      </Button>
    </>
  );
};

const big = {
  minHeight: 52,
  flex: "1 1 110px",
  px: 1,
  lineHeight: 1.15,
  textAlign: "center",
} as const;
