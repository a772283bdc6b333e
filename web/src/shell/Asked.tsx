/** Work done when it is asked for: a button until then, and a card that can be closed again. */

import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { t } from "../words";
import { Panel } from "./Panel";

interface Props {
  /** What the button says, what the card is headed, and what it is called to who cannot see it. */
  question: string;
  title: string;
  label: string;
  wanted: boolean;
  ask: (wanted: boolean) => void;
  /** What is said while it is being worked out; closing cancels it. */
  busy?: string | false;
  children: ReactNode;
}

export const Asked = ({ question, title, label, wanted, ask, busy, children }: Props) =>
  wanted ? (
    <Panel
      label={label}
      title={title}
      beside={
        <Button size="small" onClick={() => ask(false)}>
          {busy ? t("shell.cancel") : t("shell.close")}
        </Button>
      }
    >
      {busy && <p>{busy}</p>}
      {children}
    </Panel>
  ) : (
    <Button variant="outlined" sx={{ minHeight: 48, flexShrink: 0 }} onClick={() => ask(true)}>
      {question}
    </Button>
  );
