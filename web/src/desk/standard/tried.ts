/** Figures and events that a standard is tried with: what it asks for, and how that is sent. */
import type { components } from "../../api/schema";
import type { StandardBody } from "../../api/types";
import type { Bounds, Measure } from "../../judging/measures";
import type { LookRule, ObservedRule } from "../../judging/said";

type JudgeIn = components["schemas"]["JudgeIn"];
type Noted = NonNullable<JudgeIn["noted"]>;
type Look = NonNullable<Noted["looks"]>[number];
type Became = NonNullable<Look["became"]>;

const TAPED = ["kerb_front_m", "kerb_rear_m", "angle_deg", "ahead_m", "behind_m"] as const;
const WAY = [
  "start_gap_m",
  "furthest_back_m",
  "kerb_nearest_m",
  "kerb_farthest_m",
  "swing_out_m",
  "leaving_movements",
] as const;
const MOVED = ["forward_movements", "reverse_movements", "movements", "corrections"];
/** What of looks a limit counts, as what became of them. */
const COUNTED_LOOKS: Partial<Record<Measure, Became>> = {
  looks_missed: "missed",
  looks_late: "late",
  prompts: "prompted",
};

type Asked =
  | { kind: "figure"; measure: Measure; usual: number }
  /** Of the method itself: what is more is a correction. */
  | { kind: "planned"; usual: number }
  | { kind: "look"; rule: Pick<LookRule, "look" | "phase">; usual: Became }
  | { kind: "looks"; measure: Measure; phase: LookRule["phase"]; usual: number }
  | { kind: "times"; rule: Pick<ObservedRule, "what" | "phase">; usual: number }
  | { kind: "so"; what: StandardBody["at_end"][number]["what"]; usual: "yes" };

/** One thing to be told; the key stays the same while the standard is changed. */
export type Field = Asked & { key: string };
/** Whether it may have gone without being noted: what is counted begins at none. */
export const mayBeOpen = ({ kind, key }: Field): boolean =>
  kind !== "figure" || [...TAPED, ...WAY].some((measure) => measure === key);

export type Tried = Readonly<Record<string, number | string | null>>;

/** A figure that is without fault: the middle of what may be, or an end of it. */
const usualOf = (range: Bounds | null | undefined): number => {
  const [low, high] = range ?? [null, null];
  if (low !== null && high !== null) return Math.round(((low + high) / 2) * 100) / 100;
  return low ?? 0;
};

const limitField = (limit: StandardBody["limits"][number]): Field[] => {
  const { measure, phase } = limit;
  if (MOVED.includes(measure)) return [];
  if (COUNTED_LOOKS[measure])
    return [{ key: `looks/${measure}/${phase}`, kind: "looks", measure, phase, usual: 0 }];
  const usual = usualOf(limit.small ?? limit.serious ?? limit.ends);
  return [{ key: measure, kind: "figure", measure, usual }];
};

/** Movements are told in each gear, whatever of them is limited. */
const movementFields = ({ limits }: StandardBody): Field[] => {
  const limited = limits.map(({ measure }) => measure).filter((one) => MOVED.includes(one));
  if (limited.length === 0) return [];
  const moved = (["forward_movements", "reverse_movements"] as const).map(
    (measure): Field => ({
      key: measure,
      kind: "figure",
      measure,
      usual: usualOf(limits.find((limit) => limit.measure === measure)?.small),
    }),
  );
  return limited.includes("corrections")
    ? [...moved, { key: "planned", kind: "planned", usual: 0 }]
    : moved;
};

/** What a standard asks for, each with what is without fault. */
export const fieldsOf = (body: StandardBody): Field[] => {
  const fields: Field[] = [
    ...body.limits.flatMap(limitField),
    ...movementFields(body),
    ...body.looks.map(
      (rule): Field => ({
        key: `look/${rule.look}/${rule.phase}`,
        kind: "look",
        rule,
        usual: "done",
      }),
    ),
    ...body.observed.map(
      (rule): Field => ({ key: `seen/${rule.what}/${rule.phase}`, kind: "times", rule, usual: 0 }),
    ),
    ...body.at_end.map(
      ({ what }): Field => ({ key: `so/${what}`, kind: "so", what, usual: "yes" }),
    ),
  ];
  return fields.filter(({ key }, i) => fields.findIndex((one) => one.key === key) === i);
};

export const toldOf = (tried: Tried, field: Field): number | string | null => {
  const told = tried[field.key];
  return told === undefined ? field.usual : told;
};

const lookAs = (rule: Pick<LookRule, "look" | "phase">, became: Became | null): Look => ({
  look: rule.look && rule.look !== "swing side" ? (rule.look as Look["look"]) : "all round",
  swings: rule.look === "swing side",
  phase: rule.phase ?? "execution",
  became,
});

const repeat = <T>(count: number, one: T): T[] => Array.from({ length: count }, () => one);

/** What is asked of the server: null of a field means that it was not noted, or not taped. */
export const askedOf = (body: StandardBody, tried: Tried): JudgeIn => {
  const fields = fieldsOf(body);
  const told = fields.map((field) => ({ field, value: toldOf(tried, field) }));
  const number = (key: string): number | null => {
    const value = told.find(({ field }) => field.key === key)?.value;
    return typeof value === "number" ? value : null;
  };
  const known = <K extends Measure>(measures: readonly K[]) =>
    Object.fromEntries(
      measures.flatMap((one) => {
        const value = number(one);
        return value === null ? [] : [[one, value]];
      }),
    );
  const looks = told.flatMap(({ field, value }): Look[] => {
    if (field.kind === "look") return [lookAs(field.rule, value as Became | null)];
    if (field.kind !== "looks") return [];
    const became = COUNTED_LOOKS[field.measure] ?? "missed";
    return repeat(Number(value ?? 0), lookAs({ look: null, phase: field.phase ?? null }, became));
  });
  const seen = told.flatMap(({ field, value }) =>
    field.kind === "times" ? [{ field, value }] : [],
  );
  return {
    standard: { ...body },
    finish: known(TAPED),
    noted: {
      seconds: number("seconds") ?? 0,
      kerb_touches: number("kerb_touches") ?? 0,
      kerb_mounts: number("kerb_mounts") ?? 0,
      vehicle_touches: number("vehicle_touches") ?? 0,
      forward_movements: number("forward_movements") ?? 0,
      reverse_movements: number("reverse_movements") ?? 0,
      planned_movements: number("planned"),
      looks,
      observed: seen.flatMap(({ field, value }) =>
        repeat(Number(value ?? 0), {
          what: field.rule.what,
          phase: field.rule.phase ?? "execution",
        }),
      ),
      watched: seen.flatMap(({ field, value }) => (value === null ? [] : [field.rule.what])),
      on_the_way: known(WAY),
      at_end: Object.fromEntries(
        told.flatMap(({ field, value }) =>
          field.kind === "so" && value !== null ? [[field.what, value === "yes"]] : [],
        ),
      ),
    },
  };
};
