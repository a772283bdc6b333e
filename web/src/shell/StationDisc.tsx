/** A station's number; filled once the station holds something for the docket. */
import Box from "@mui/material/Box";
import { ink } from "../theme";

interface Props {
  number: number;
  here: boolean;
  filled: boolean;
  size?: number;
}

export const StationDisc = ({ number, here, filled, size = 28 }: Props) => (
  <Box
    sx={{
      width: size,
      height: size,
      borderRadius: "50%",
      display: "grid",
      placeItems: "center",
      fontSize: size / 2,
      fontWeight: 750,
      border: `2px solid ${here ? "#fff" : filled ? ink.teal : ink.soft}`,
      background: filled ? (here ? "#fff" : ink.teal) : "transparent",
      color: filled ? (here ? ink.teal : "#fff") : here ? "#fff" : ink.soft,
    }}
  >
    {number}
  </Box>
);
