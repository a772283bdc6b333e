/** The cue card: the docket as it stands on the screen, on one page to be printed. */

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { askForFile } from "../../api/client";
import { draftBody } from "../../api/queries";
import type { CardIn, Docket, MethodBody, PlanOptions } from "../../api/types";
import { download } from "../../shell/download";
import { useSchool } from "../../shell/useDocket";
import { t } from "../../words";

type Form = Required<Pick<CardIn, "paper" | "large">>;

const FORMS: readonly Form[] = [
  { paper: "a5", large: false },
  { paper: "a5", large: true },
  { paper: "half-letter", large: false },
  { paper: "half-letter", large: true },
];

interface Props {
  docket: Docket;
  options: PlanOptions;
  /** The method while it is being changed; else the docket's own. */
  draft?: MethodBody | undefined;
}

export const CardMenu = ({ docket, options, draft }: Props) => {
  const [by, setBy] = useState<HTMLElement | null>(null);
  const american = useSchool().locale === "en-US";
  const make = useMutation({
    mutationFn: (form: Form) =>
      askForFile("/api/plan/card", {
        ...draftBody(docket, options, draft),
        learner: docket.learner.id,
        ...form,
      }),
    onSuccess: (file) => download(`cue-card-${docket.learner.name}.pdf`, file),
  });
  const choose = (form: Form) => {
    setBy(null);
    make.mutate(form);
  };
  // What is used there comes first.
  const forms = american ? [...FORMS.slice(2), ...FORMS.slice(0, 2)] : FORMS;
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        loading={make.isPending}
        onClick={(event) => setBy(event.currentTarget)}
      >
        {t("cues.card")}
      </Button>
      <Menu anchorEl={by} open={by !== null} onClose={() => setBy(null)}>
        {forms.map((form) => (
          <MenuItem key={`${form.paper} ${form.large}`} onClick={() => choose(form)}>
            {t(`cues.card on ${form.paper}${form.large ? " large" : ""}`)}
          </MenuItem>
        ))}
      </Menu>
      {make.error && (
        <Alert severity="error" sx={{ width: "100%" }}>
          {make.error.message}
        </Alert>
      )}
    </>
  );
};
