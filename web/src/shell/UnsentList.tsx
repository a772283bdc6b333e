/** Everything on this device that the server has not got, and what can be done about it. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useId } from "react";
import type { Unsent } from "../device/store";
import { useSend, useUnsent } from "../device/useUnsent";
import { ink } from "../theme";
import { t } from "../words";
import { download } from "./download";
import { useDates } from "./useDates";
import { useUnits } from "./useDocket";
import { type Mending, useMending } from "./useMending";
import { wasNoted } from "./wasNoted";

interface Props {
  close: () => void;
}

export const UnsentList = ({ close }: Props) => {
  const title = useId();
  const all = useUnsent();
  const send = useSend();
  const mending = useMending(send);
  return (
    <Dialog open fullWidth maxWidth="md" onClose={close} aria-labelledby={title}>
      <DialogTitle id={title}>{t("shell.on this device alone")}</DialogTitle>
      <DialogContent>
        {all.length === 0 && <p>{t("shell.everything is sent")}</p>}
        <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
          {all.map((one) => (
            <Item key={one.seq} one={one} mending={mending} />
          ))}
        </Box>
      </DialogContent>
      <DialogActions sx={{ flexWrap: "wrap" }}>
        {all.length > 0 && (
          <Button sx={{ minHeight: 44 }} onClick={() => download("not-sent-yet.json", all)}>
            {t("shell.save as a file")}
          </Button>
        )}
        <Button sx={{ minHeight: 44 }} onClick={() => void send()}>
          {t("shell.send now")}
        </Button>
        <Button sx={{ minHeight: 44 }} onClick={close}>
          {t("shell.close")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};

const Item = ({ one, mending }: { one: Unsent; mending: Mending }) => {
  const dates = useDates();
  const units = useUnits();
  const { what, of, at, refused, left } = one;
  const button = (label: string, work: (one: Unsent) => Promise<void>) => (
    <Button sx={{ minHeight: 44 }} onClick={() => void work(one)}>
      {label}
    </Button>
  );
  return (
    <Box component="li" sx={{ borderTop: `1px solid ${ink.line}`, py: 1 }}>
      <strong>{t(`shell.unsent ${what}`)}</strong> · {of}
      <Box sx={{ fontSize: 14, color: ink.soft }}>
        {t("shell.noted at", { at: dates.moment(at) })}
        {left && ` · ${t("shell.left out")}`}
      </Box>
      {refused !== null && (
        <Box sx={{ color: ink.coralText }}>{t("shell.refused", { why: refused })}</Box>
      )}
      {(refused !== null || left) && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
          {button(t("shell.try again"), mending.again)}
          {what === "lesson" && button(t("shell.all the same"), mending.allTheSame)}
          {what === "readings" && button(t("shell.back into tape"), mending.backIntoTape)}
          {!left && button(t("shell.leave it out"), mending.leaveOut)}
        </Box>
      )}
      <Box sx={{ fontSize: 14, whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>
        {wasNoted(one, units, dates.moment).join(" · ")}
      </Box>
    </Box>
  );
};
