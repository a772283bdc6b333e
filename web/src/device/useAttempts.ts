/** The attempts on a sheet, with what of them is on this device alone. */
import { useQuery } from "@tanstack/react-query";
import { attemptsQuery } from "../api/queries";
import { attemptsWith } from "./pending";
import { useUnsent } from "./useUnsent";

export const useAttempts = (sheet: number | null) => {
  const attempts = useQuery(attemptsQuery(sheet));
  const unsent = useUnsent();
  const here = sheet === null ? [] : attemptsWith(attempts.data ?? [], unsent, sheet);
  // One that was just noted here is there, whether or not the others were ever fetched.
  return { ...attempts, data: attempts.data || here.length > 0 ? here : undefined };
};
