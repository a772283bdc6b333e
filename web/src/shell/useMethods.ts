/** The school's methods, each with the docket that would drive it. */
import { useQuery } from "@tanstack/react-query";
import { documentsQuery } from "../api/queries";
import {
  bodyOf,
  type Docket,
  type DocumentEntry,
  type GroundBody,
  type MethodBody,
  type StandardBody,
} from "../api/types";
import { type GoalKind, goalOf } from "../drawing/berth";
import { useDocket } from "./useDocket";

export interface MethodChoice {
  id: number;
  name: string;
  body: MethodBody;
  /** The docket with this method; where it ends elsewhere, with the first place that suits it. */
  docket: Docket;
  /** Whether it ends at the kind of place that the docket has. */
  suits: boolean;
  /** Whether there is a place for it at all. */
  placed: boolean;
}

const groundFor = (grounds: readonly DocumentEntry[], kind: GoalKind) =>
  grounds.find((d) => bodyOf<GroundBody>(d.latest).goal.kind === kind)?.latest;

const standardFor = (standards: readonly DocumentEntry[], kind: GoalKind) =>
  standards.find((d) => goalOf(bodyOf<StandardBody>(d.latest)) === kind)?.latest;

const useParts = () => [
  useQuery(documentsQuery("method")),
  useQuery(documentsQuery("ground")),
  useQuery(documentsQuery("standard")),
];

/** Why there are no methods to choose, where something could not be fetched. */
export const useMethodsFailure = () => useParts().find((part) => part.error);

/** None until everything has come that says what each would bring along. */
export const useMethods = (): MethodChoice[] => {
  const docket = useDocket();
  const [methods, grounds, standards] = useParts().map((part) => part.data);
  if (!methods || !grounds || !standards) return [];
  const here = bodyOf<GroundBody>(docket.ground).goal.kind;
  return methods
    .map(({ id, latest }) => {
      const body = bodyOf<MethodBody>(latest);
      const kind = goalOf(body);
      const suits = kind === here;
      const ground = suits ? docket.ground : groundFor(grounds, kind);
      const standard = suits ? docket.standard : standardFor(standards, kind);
      return {
        id,
        name: latest.name,
        body,
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
