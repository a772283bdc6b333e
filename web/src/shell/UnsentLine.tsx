/** Under the docket: that there is no line, and what of this device the server has not got yet. */

import Button from "@mui/material/Button";
import { lazy, Suspense, useEffect, useState } from "react";
import { useOnline } from "../api/line";
import { useSending, useUnsent } from "../device/useUnsent";
import { t } from "../words";
import { Strip } from "./Strip";
import { useDates } from "./useDates";

const UnsentList = lazy(async () => ({ default: (await import("./UnsentList")).UnsentList }));

/** What is answered sooner is not worth a line, ms. */
const SOON = 4_000;

export const UnsentLine = () => {
  const online = useOnline();
  const dates = useDates();
  const all = useUnsent();
  useSending();
  const [shown, setShown] = useState(false);
  const first = all.find((one) => !one.left);
  const late = useIsLate(first?.at);
  const refused = all.filter((one) => one.refused !== null && !one.left).length;
  const waits = all.filter((one) => !one.left).length;
  if (online && !late && refused === 0 && !shown) return null;
  const name = t(online ? "shell.not sent yet" : "shell.no connection");
  return (
    <Strip name={name}>
      <span>
        <strong>{name}:</strong>{" "}
        {first
          ? t(online ? "shell.so much since" : "shell.so much unsent", {
              count: waits,
              since: dates.moment(first.at),
            })
          : t("shell.stays on the device")}
        {refused > 0 && ` ${t("shell.so much refused", { count: refused })}`}
      </span>
      {all.length > 0 && (
        <Button
          color="inherit"
          sx={{ minHeight: 44, flexShrink: 0 }}
          onClick={() => setShown(true)}
        >
          {t("shell.show what waits")}
        </Button>
      )}
      {shown && (
        <Suspense>
          <UnsentList close={() => setShown(false)} />
        </Suspense>
      )}
    </Strip>
  );
};

/** Whether something noted then has waited for long enough to be told. */
const useIsLate = (since: string | undefined): boolean => {
  const [late, setLate] = useState<string | undefined>();
  useEffect(() => {
    if (since === undefined) return;
    const left = SOON - (Date.now() - Date.parse(since));
    const timer = setTimeout(() => setLate(since), Math.max(0, left));
    return () => clearTimeout(timer);
  }, [since]);
  return since !== undefined && late === since;
};
