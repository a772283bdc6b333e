/** The school's methods, each with the docket that would drive it. */
import { useQuery } from "@tanstack/react-query";
import { documentsQuery } from "../api/queries";
import { bodyOf, type Docket, type GroundBody, type MethodBody } from "../api/types";
import { intoBay } from "../drawing/berth";
import { useDocket } from "./useDocket";

export interface SchoolChoice {
  id: number;
  name: string;
  body: MethodBody;
  docket: Docket;
  /** Whether it ends at the kind of place that the docket has. */
  suits: boolean;
}

export const useSchools = (): SchoolChoice[] => {
  const docket = useDocket();
  const { data = [] } = useQuery(documentsQuery("method"));
  const bay = bodyOf<GroundBody>(docket.ground).goal.kind === "bay";
  return data
    .map(({ id, latest }) => {
      const body = bodyOf<MethodBody>(latest);
      return {
        id,
        name: latest.name,
        body,
        docket: { ...docket, method: latest },
        suits: intoBay(body) === bay,
      };
    })
    .sort((a, b) => Number(b.suits) - Number(a.suits));
};
