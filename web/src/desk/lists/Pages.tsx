/** What stands below a list: nothing found, or the pages there are. */

import Box from "@mui/material/Box";
import Pagination from "@mui/material/Pagination";
import Paper from "@mui/material/Paper";
import { t } from "../../words";
import type { List } from "./useList";

interface Props {
  list: Pick<List<string>, "page" | "pages"> & {
    asked: { search: string };
    setPage: (page: number) => void;
  };
  count: number;
  /** What is said of a list that has nothing at all. */
  none: string;
}

export const Pages = ({ list, count, none }: Props) => {
  if (count === 0)
    return (
      <Paper role="status" sx={{ p: 2 }}>
        {list.asked.search ? t("desk.nothing found", { words: list.asked.search }) : none}
      </Paper>
    );
  const pages = list.pages(count);
  if (pages < 2) return null;
  return (
    <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
      <Pagination
        size="large"
        aria-label={t("desk.pages")}
        getItemAriaLabel={(type, page) =>
          type === "previous"
            ? t("desk.page before")
            : type === "next"
              ? t("desk.page after")
              : t("desk.page", { page: page ?? 1 })
        }
        count={pages}
        page={list.page + 1}
        onChange={(_, page) => list.setPage(page - 1)}
      />
      <span>{t("desk.so many", { count })}</span>
    </Box>
  );
};
