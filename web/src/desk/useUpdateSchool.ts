/** Puts the school as the server now has it into the session, for every screen. */
import { useQueryClient } from "@tanstack/react-query";
import { sessionQuery } from "../api/queries";
import type { School } from "../api/types";

export const useUpdateSchool = () => {
  const client = useQueryClient();
  return (school: School) =>
    client.setQueryData(sessionQuery.queryKey, (there) => there && { ...there, school });
};
