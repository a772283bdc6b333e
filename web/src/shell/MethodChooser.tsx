/** Choosing a method by its picture: each drawn for this vehicle, at this place. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Dialog from "@mui/material/Dialog";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { ink } from "../theme";
import { named, t } from "../words";
import { MethodPicture } from "./MethodPicture";
import { Failure, Waiting } from "./states";
import { useChangeDocket, useDocket } from "./useDocket";
import { type MethodChoice, useMethods, useMethodsFailure } from "./useMethods";

/** The docket that a method is driven with: it brings a place and a standard where it needs others. */
const brought = ({ id, suits, placed, docket }: MethodChoice) =>
  suits || !placed
    ? { method: id }
    : {
        method: id,
        ground: docket.ground.document_id,
        standard: docket.standard.document_id,
      };

export const MethodChooser = ({ close }: { close: () => void }) => {
  const methods = useMethods();
  const failed = useMethodsFailure();
  const docket = useDocket();
  const change = useChangeDocket();
  const { search } = useLocation();
  const manoeuvres = [...new Set(methods.map((s) => s.body.manoeuvre))];
  const [wanted, setWanted] = useState(docket.method.body.manoeuvre);
  return (
    <Dialog open onClose={close} maxWidth="lg" fullWidth aria-labelledby="method-chooser">
      <Box sx={{ p: 2, display: "grid", gap: 1.5, background: ink.paper, overflowY: "auto" }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
          <Typography id="method-chooser" variant="h1" component="h2" sx={{ flex: 1 }}>
            {t("shell.choose a method")}
          </Typography>
          <Button component={Link} to={{ pathname: "/compare", search }} onClick={close}>
            {t("shell.compare two")}
          </Button>
          <Button onClick={close}>{t("shell.close")}</Button>
        </Box>
        {failed?.error && <Failure error={failed.error} retry={() => void failed.refetch()} />}
        {methods.length === 0 && !failed && <Waiting what={t("shell.fetching the methods")} />}
        <Box
          role="group"
          aria-label={t("shell.manoeuvre")}
          sx={{
            display: "grid",
            gap: 1,
            gridTemplateColumns: "repeat(auto-fill, minmax(128px, 1fr))",
          }}
        >
          {manoeuvres.map((manoeuvre) => (
            <Manoeuvre
              key={manoeuvre}
              name={named(manoeuvre)}
              method={methods.find((s) => s.body.manoeuvre === manoeuvre)}
              chosen={manoeuvre === wanted}
              choose={() => setWanted(manoeuvre)}
            />
          ))}
        </Box>
        <Box
          component="section"
          aria-label={named(wanted)}
          sx={{
            display: "grid",
            gap: 1.5,
            gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))",
          }}
        >
          {methods
            .filter((method) => method.body.manoeuvre === wanted)
            .map((method) => (
              <Card
                key={method.id}
                method={method}
                chosen={method.id === docket.method.document_id}
                choose={() => {
                  change(brought(method));
                  close();
                }}
              />
            ))}
        </Box>
      </Box>
    </Dialog>
  );
};

interface ManoeuvreProps {
  name: string;
  method: MethodChoice | undefined;
  chosen: boolean;
  choose: () => void;
}

/** A manoeuvre by the drawing of its first method. */
const Manoeuvre = ({ name, method, chosen, choose }: ManoeuvreProps) => (
  <ButtonBase
    onClick={choose}
    aria-label={name}
    aria-pressed={chosen}
    sx={{
      display: "grid",
      gridTemplateRows: "84px auto",
      background: ink.sheet,
      borderRadius: 2,
      overflow: "hidden",
      outline: chosen ? `3px solid ${ink.teal}` : `1px solid ${ink.line}`,
      "&:focus-visible": { outline: `3px solid ${ink.coral}` },
      // Too small to be read, and told below.
      "& svg text, & svg [data-scale-bar]": { display: "none" },
    }}
  >
    {method && <MethodPicture method={method} plain />}
    <Box sx={{ p: 0.75, fontSize: 13, fontWeight: 700, alignSelf: "start" }}>
      {name.charAt(0).toUpperCase() + name.slice(1)}
    </Box>
  </ButtonBase>
);

interface CardProps {
  method: MethodChoice;
  chosen: boolean;
  choose: () => void;
}

const Card = ({ method, chosen, choose }: CardProps) => (
  <ButtonBase
    onClick={choose}
    aria-pressed={chosen}
    sx={{
      display: "grid",
      gridTemplateRows: "170px auto",
      alignContent: "start",
      textAlign: "left",
      background: ink.sheet,
      borderRadius: 2,
      overflow: "hidden",
      outline: chosen ? `3px solid ${ink.teal}` : `1px solid ${ink.line}`,
      "&:focus-visible": { outline: `3px solid ${ink.coral}` },
    }}
  >
    <MethodPicture method={method} />
    <Box sx={{ p: 1.25, alignSelf: "start" }}>
      <Box sx={{ fontWeight: 700, fontSize: 16 }}>{method.name}</Box>
      <Box sx={{ fontSize: 13, color: ink.soft }}>{method.body.why}</Box>
      {!method.suits && method.placed && (
        <Box sx={{ fontSize: 13, color: ink.teal, fontWeight: 650 }}>
          {t("shell.drawn at which it brings", { name: method.docket.ground.body.name })}
        </Box>
      )}
    </Box>
  </ButtonBase>
);
