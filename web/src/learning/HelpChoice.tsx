import type { Notes } from "../api/types";
import { Choice } from "../shell/Choice";
import { t } from "../words";
import { HELP, helpName } from "./help";

interface Props {
  help: Notes["help"];
  /** What it is called where nobody chose. */
  none: string;
  set: (help: NonNullable<Notes["help"]> | null) => void;
  width?: number;
}

/** How much help there was, or is to be looked for. */
export const HelpChoice = ({ help, none, set, width = 170 }: Props) => (
  <Choice
    label={t("learning.help")}
    value={help ?? null}
    values={HELP}
    told={helpName}
    none={none}
    set={set}
    width={width}
  />
);
