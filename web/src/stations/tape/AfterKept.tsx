/** What comes after a tape: the same again, or the next exercise. */

import Button from "@mui/material/Button";
import { Link, type To, useLocation } from "react-router";
import type { Attempt } from "../../api/types";
import { without } from "../../shell/useDocket";
import { t } from "../../words";
import { useFollowing } from "../drive/useFollowing";

export const AfterKept = ({ attempt }: { attempt: Attempt }) => {
  const search = without(useLocation().search, "attempt");
  const following = useFollowing();
  if (attempt.notes.help === "mock test")
    return (
      <Next to={{ pathname: "/mock-tests", search }} label={t("mock.on with the test")} main />
    );
  return (
    <>
      <Next to={{ pathname: "/drive", search }} label={t("tape.drive again")} main />
      {following ? (
        <Next to={following.where} label={t("tape.next exercise", { what: following.what })} />
      ) : (
        <Next to={{ pathname: "/cues", search }} label={t("tape.another exercise")} />
      )}
    </>
  );
};

const Next = ({ to, label, main = false }: { to: To; label: string; main?: boolean }) => (
  <Button
    component={Link}
    to={to}
    variant={main ? "contained" : "outlined"}
    size="large"
    sx={{ minHeight: 52, flex: "1 1 110px", px: 1, lineHeight: 1.15, textAlign: "center" }}
  >
    {label}
  </Button>
);
