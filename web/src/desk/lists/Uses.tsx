/** Who drives by a document now, in one line. */
import Box from "@mui/material/Box";
import type { Use } from "../../api/types";
import { ink } from "../../theme";
import { t } from "../../words";

// So many are named; of the rest it is told how many there are.
const NAMED = 4;

export const Uses = ({ use }: { use: Use | undefined }) => {
  if (!use) return null;
  const named = use.learners.slice(0, NAMED).join(", ");
  const more = use.learners.length - NAMED;
  const learners = more > 0 ? t("desk.and more", { learners: named, more }) : named;
  return (
    <Box sx={{ fontSize: 14, color: ink.soft }}>
      {learners === "" ? t("desk.nobody drives by it") : t("desk.driven by", { learners })}{" "}
      {use.behind > 0 && t("desk.some are behind", { count: use.behind })}
    </Box>
  );
};
