import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type MouseEvent, useId, useState } from "react";
import { signOut } from "../device/leaving";
import { useUnsent } from "../device/useUnsent";
import { t } from "../words";
import { useDates } from "./useDates";

export const SignOut = ({ colour = "inherit" }: { colour?: string }) => {
  const client = useQueryClient();
  const waits = useUnsent().filter((one) => !one.left);
  const [asking, setAsking] = useState(false);
  const leave = useMutation({
    mutationFn: signOut,
    onSuccess: () => {
      client.clear();
      window.location.assign("/");
    },
  });
  const press = (event: MouseEvent) => {
    if (waits.length === 0) return leave.mutate();
    // The menu it is in stays as long as it asks.
    event.stopPropagation();
    setAsking(true);
  };
  return (
    <>
      <Button size="small" sx={{ color: colour }} loading={leave.isPending} onClick={press}>
        {t("shell.sign out")}
      </Button>
      {asking && (
        <StillUnsent
          count={waits.length}
          since={waits[0]?.at ?? ""}
          stay={() => setAsking(false)}
          leave={() => leave.mutate()}
        />
      )}
    </>
  );
};

interface Props {
  count: number;
  since: string;
  stay: () => void;
  leave: () => void;
}

const StillUnsent = ({ count, since, stay, leave }: Props) => {
  const title = useId();
  const dates = useDates();
  return (
    <Dialog open onClose={stay} onClick={(e) => e.stopPropagation()} aria-labelledby={title}>
      <DialogTitle id={title}>{t("shell.sign out all the same")}</DialogTitle>
      <DialogContent>
        <p>{t("shell.so much waits", { count, since: dates.moment(since) })}</p>
        <p>{t("shell.stays until you return")}</p>
      </DialogContent>
      <DialogActions>
        <Button sx={{ minHeight: 44 }} onClick={leave}>
          {t("shell.sign out")}
        </Button>
        <Button variant="contained" sx={{ minHeight: 44 }} onClick={stay}>
          {t("shell.stay")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};
