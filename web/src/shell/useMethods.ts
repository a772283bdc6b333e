/** The school's methods, each with the docket that would drive it. */
import { useQuery } from "@tanstack/react-query";
import { allDocumentsQuery } from "../api/queries";
import type { Docket, GoalKind, MethodBody } from "../api/types";
import { useDocket } from "./useDocket";
import { useGoalOf } from "./useVocabulary";

export interface MethodChoice {
  id: number;
  name: string;
  body: MethodBody;
  /** The kind of place where it ends. */
  goal: GoalKind;
  /** The docket with this method; where it ends elsewhere, with the first place that suits it. */
  docket: Docket;
  /** Whether it ends at the kind of place that the docket has. */
  suits: boolean;
  /** Whether there is a place for it at all. */
  placed: boolean;
}

const useParts = () =>
  [
    useQuery(allDocumentsQuery("method")),
    useQuery(allDocumentsQuery("ground")),
    useQuery(allDocumentsQuery("standard")),
  ] as const;

/** Why there are no methods to choose, where something could not be fetched. */
export const useMethodsFailure = () => useParts().find((part) => part.error);

/** None until everything has come that says what each would bring along. */
export const useMethods = (): MethodChoice[] => {
  const docket = useDocket();
  const goalOf = useGoalOf();
  const [{ data: methods }, { data: grounds }, { data: standards }] = useParts();
  if (!methods || !grounds || !standards) return [];
  const here = docket.ground.body.goal.kind;
  return methods
    .map(({ id, latest }) => {
      const goal = goalOf(latest.body);
      const suits = goal === here;
      const ground = suits
        ? docket.ground
        : grounds.find((d) => d.latest.body.goal.kind === goal)?.latest;
      const standard = suits
        ? docket.standard
        : standards.find((d) => goalOf(d.latest.body) === goal)?.latest;
      return {
        id,
        name: latest.name,
        body: latest.body,
        goal,
        docket: {
          ...docket,
          method: latest,
          ground: ground ?? docket.ground,
          standard: standard ?? docket.standard,
        },
        suits,
        placed: ground !== undefined,
      };
    })
    .sort((a, b) => Number(b.suits) - Number(a.suits));
};
