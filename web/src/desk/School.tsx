/** The school as a whole: what it is set to, and all of it in one file. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import Typography from "@mui/material/Typography";
import { useMay, useSchool } from "../shell/useDocket";
import { t } from "../words";
import { ChoosePad } from "./ChoosePad";
import { ChooseWheel } from "./ChooseWheel";
import { Desk } from "./Desk";
import { OurTapes } from "./OurTapes";

const School = () => {
  const school = useSchool();
  const { lead, shape, teach } = useMay();
  const told: [string, string][] = [
    [t("begin.name of the school"), school.name],
    [t("begin.town"), school.place],
    [t("begin.traffic keeps"), t(school.keeps === "left" ? "begin.left" : "begin.right")],
    [t("begin.lengths in"), t(school.units === "metric" ? "begin.metres" : "begin.feet")],
    [t("begin.time zone"), school.time_zone],
  ];
  return (
    <Desk title={t("desk.school")}>
      <Paper component="dl" sx={{ p: 2, m: 0, display: "grid", gap: 1 }}>
        {told.map(([name, value]) => (
          <Box key={name} sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
            <Box component="dt" sx={{ width: 220, color: "text.secondary" }}>
              {name}
            </Box>
            <Box component="dd" sx={{ m: 0, fontWeight: 700 }}>
              {value}
            </Box>
          </Box>
        ))}
      </Paper>
      {shape && <ChoosePad />}
      {shape && <ChooseWheel />}
      {teach && <OurTapes />}
      {lead && (
        <Paper component="section" sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <Typography variant="h2">{t("desk.take the school out")}</Typography>
          <Typography>{t("desk.what is in the file")}</Typography>
          <Button variant="outlined" href="/api/school/file" download sx={{ justifySelf: "start" }}>
            {t("desk.take it out")}
          </Button>
        </Paper>
      )}
    </Desk>
  );
};

export default School;
