/** How a whole test is drawn by this standard, and what is allowed over all of it. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { StandardBody } from "../../api/types";
import { NumberField } from "../../shell/NumberField";
import { useVocabulary } from "../../shell/useVocabulary";
import { named, t } from "../../words";
import { Part } from "./rule";

type Rule = NonNullable<StandardBody["mock"]>;
type Manoeuvre = Rule["of"][number];

interface Props {
  body: StandardBody;
  edit: (part: Partial<StandardBody>) => void;
}

export const DrawRule = ({ body, edit }: Props) => {
  const { mock } = body;
  const change = (part: Partial<Rule>) => mock && edit({ mock: { ...mock, ...part } });
  return (
    <Part title={t("mock.a whole test")}>
      {mock ? (
        <>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
            {figure(t("mock.so many are drawn"), mock.number, (number) => change({ number }))}
            {figure(t("mock.so many in reverse"), mock.in_reverse, (in_reverse) =>
              change({ in_reverse }),
            )}
            <NumberField
              label={t("mock.small faults over the whole")}
              value={mock.small_allowed ?? null}
              optional
              width={200}
              onCommit={(small_allowed) => change({ small_allowed })}
            />
            <NumberField
              label={t("mock.points over the whole")}
              value={mock.points_allowed ?? null}
              optional
              width={200}
              onCommit={(points_allowed) => change({ points_allowed })}
            />
          </Box>
          <Manoeuvres of={mock.of} set={(of) => change({ of })} />
          <Button color="error" sx={{ justifySelf: "start" }} onClick={() => edit({ mock: null })}>
            {t("mock.no rule")}
          </Button>
        </>
      ) : (
        <AddRule edit={edit} />
      )}
    </Part>
  );
};

const figure = (label: string, value: number, set: (value: number) => void) => (
  <NumberField label={label} value={value} width={150} onCommit={set} />
);

/** At least one of them: a test of nothing is none. */
const Manoeuvres = ({ of, set }: { of: Manoeuvre[]; set: (of: Manoeuvre[]) => void }) => {
  const all = Object.keys(useVocabulary().manoeuvres).filter((one) => one !== "bay");
  return (
    <Box
      role="group"
      aria-label={t("mock.of which manoeuvres")}
      sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}
    >
      {(all as Manoeuvre[]).map((one) => {
        const on = of.includes(one);
        return (
          <Button
            key={one}
            variant={on ? "contained" : "outlined"}
            aria-pressed={on}
            disabled={on && of.length === 1}
            sx={{ minHeight: 44 }}
            onClick={() => set(on ? of.filter((other) => other !== one) : [...of, one])}
          >
            {named(one)}
          </Button>
        );
      })}
    </Box>
  );
};

const AddRule = ({ edit }: Pick<Props, "edit">) => {
  const { manoeuvres } = useVocabulary();
  const all = Object.keys(manoeuvres).filter((one) => one !== "bay") as Manoeuvre[];
  return (
    <Button
      variant="outlined"
      sx={{ justifySelf: "start", minHeight: 44 }}
      onClick={() =>
        edit({
          mock: { number: 3, of: all, in_reverse: 1, small_allowed: null, points_allowed: null },
        })
      }
    >
      {t("mock.give it a rule")}
    </Button>
  );
};
