/** The school's methods, each with the docket that would drive it. */
import { useQuery } from "@tanstack/react-query";
import { documentsQuery } from "../api/queries";
import { bodyOf, type Docket, type MethodBody } from "../api/types";
import { useDocket } from "./useDocket";

export interface SchoolChoice {
  id: number;
  name: string;
  body: MethodBody;
  docket: Docket;
}

export const useSchools = (): SchoolChoice[] => {
  const docket = useDocket();
  const { data = [] } = useQuery(documentsQuery("method"));
  return data.map(({ id, latest }) => ({
    id,
    name: latest.name,
    body: bodyOf<MethodBody>(latest),
    docket: { ...docket, method: latest },
  }));
};
