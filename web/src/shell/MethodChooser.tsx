/** Choosing a school by its picture: each drawn for this vehicle, at this place. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Dialog from "@mui/material/Dialog";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useLocation } from "react-router";
import { NO_OPTIONS, planQuery } from "../api/queries";
import { bodyOf, type GroundBody, type VehicleBody } from "../api/types";
import { intoBay } from "../drawing/berth";
import { PlanSlab } from "../stations/cues/PlanSlab";
import { ink } from "../theme";
import { Failure, Waiting } from "./states";
import { useChangeDocket, useDocket } from "./useDocket";
import { type SchoolChoice, useSchools } from "./useSchools";

export const MethodChooser = ({ close }: { close: () => void }) => {
  const schools = useSchools();
  const docket = useDocket();
  const change = useChangeDocket();
  const { search } = useLocation();
  const manoeuvres = [...new Set(schools.map((s) => s.body.manoeuvre))];
  return (
    <Dialog open onClose={close} maxWidth="lg" fullWidth aria-labelledby="method-chooser">
      <Box sx={{ p: 2, display: "grid", gap: 1.5, background: ink.paper, overflowY: "auto" }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
          <Typography id="method-chooser" variant="h1" sx={{ flex: 1 }}>
            Choose a school
          </Typography>
          <Button component={Link} to={{ pathname: "/compare", search }} onClick={close}>
            Compare two
          </Button>
          <Button onClick={close}>Close</Button>
        </Box>
        {manoeuvres.map((manoeuvre) => (
          <Box key={manoeuvre} component="section" aria-label={manoeuvre}>
            <Typography variant="h2" sx={{ mb: 1, textTransform: "capitalize" }}>
              {manoeuvre}
            </Typography>
            <Box
              sx={{
                display: "grid",
                gap: 1.5,
                gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))",
              }}
            >
              {schools
                .filter((school) => school.body.manoeuvre === manoeuvre)
                .map((school) => (
                  <Card
                    key={school.id}
                    school={school}
                    chosen={school.id === docket.method.document_id}
                    choose={() => {
                      change({ method: school.id }, school.suits ? [] : ["ground", "standard"]);
                      close();
                    }}
                  />
                ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Dialog>
  );
};

interface CardProps {
  school: SchoolChoice;
  chosen: boolean;
  choose: () => void;
}

const Card = ({ school, chosen, choose }: CardProps) => (
  <ButtonBase
    onClick={choose}
    aria-label={school.name}
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
    <Picture school={school} />
    <Box sx={{ p: 1.25, alignSelf: "start" }}>
      <Box sx={{ fontWeight: 700, fontSize: 16 }}>{school.name}</Box>
      <Box sx={{ fontSize: 13, color: ink.soft }}>{school.body.why}</Box>
    </Box>
  </ButtonBase>
);

/** A school that ends at another kind of place than the docket's. */
const Elsewhere = ({ school }: { school: SchoolChoice }) => (
  <Box sx={{ display: "grid", placeItems: "center", background: ink.tarmac, color: "#fff", p: 2 }}>
    {intoBay(school.body)
      ? "Ends in a bay: choosing it brings a place with one."
      : "Ends along a kerb: choosing it brings a place with one."}
  </Box>
);

export const Picture = ({ school }: { school: SchoolChoice }) => {
  const plan = useQuery({ ...planQuery(school.docket, NO_OPTIONS), enabled: school.suits });
  if (!school.suits) return <Elsewhere school={school} />;
  if (plan.error) return <Failure error={plan.error} />;
  if (!plan.data) return <Waiting what="Drawing it" />;
  return (
    <Box sx={{ position: "relative", height: "100%", minHeight: 0 }}>
      <PlanSlab
        bare
        plan={plan.data}
        vehicle={bodyOf<VehicleBody>(school.docket.vehicle)}
        ground={bodyOf<GroundBody>(school.docket.ground)}
        method={school.body}
      />
      {!plan.data.feasible && (
        <Box
          sx={{
            position: "absolute",
            inset: "auto 8px 8px 8px",
            px: 1,
            py: 0.5,
            borderRadius: 1,
            background: ink.sheet,
            color: ink.coralText,
            fontSize: 13,
            fontWeight: 700,
          }}
        >
          cannot be driven here
        </Box>
      )}
    </Box>
  );
};
