/** The docket: five ticket stubs, the context of all six stations. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { useQuery } from "@tanstack/react-query";
import { lazy, type MouseEvent, type ReactNode, Suspense, useDeferredValue, useState } from "react";
import { documentsQuery, learnersQuery, SOME } from "../api/queries";
import { ink } from "../theme";
import { t } from "../words";
import { Mark } from "./Mark";
import type { Choice } from "./Picker";
import { useChangeDocket, useDocket } from "./useDocket";

const MethodChooser = lazy(async () => ({
  default: (await import("./MethodChooser")).MethodChooser,
}));
const Picker = lazy(async () => ({ default: (await import("./Picker")).Picker }));

export const DocketBar = () => {
  const docket = useDocket();
  // On a phone the stubs fold away under whose docket it is.
  const [unfolded, setUnfolded] = useState(false);
  return (
    <Box
      component="header"
      sx={{
        display: "flex",
        flexWrap: { xs: "wrap", sm: "nowrap" },
        minHeight: { xs: 52, sm: 64 },
        flexShrink: 0,
        background: ink.ink,
        color: "#fff",
        "@media print": { background: "#fff", color: ink.ink, borderBottom: 1 },
      }}
    >
      <Box
        sx={{
          width: { xs: 64, sm: 92 },
          display: "grid",
          placeItems: "center",
          alignContent: "center",
        }}
      >
        <Mark size={34} />
        <Box sx={{ fontWeight: 700, fontSize: 13, display: { xs: "none", sm: "block" } }}>
          Fair Corner
        </Box>
      </Box>
      <ButtonBase
        aria-expanded={unfolded}
        onClick={() => setUnfolded(!unfolded)}
        sx={{
          display: { xs: "block", sm: "none" },
          flex: 1,
          minWidth: 0,
          minHeight: 52,
          pr: 1.5,
          textAlign: "left",
          "&:focus-visible": { outline: `3px solid ${ink.marigold}`, outlineOffset: -3 },
        }}
      >
        <Box sx={{ fontSize: 12, opacity: 0.8 }}>
          {t("shell.docket")} {unfolded ? "▴" : "▾"}
        </Box>
        <Box sx={{ ...oneLine, fontWeight: 700 }}>
          {docket.learner.name} · {docket.method.name}
        </Box>
      </ButtonBase>
      <Box
        sx={{
          display: { xs: unfolded ? "grid" : "none", sm: "flex" },
          flex: { xs: "1 0 100%", sm: 1 },
          minWidth: 0,
        }}
      >
        <Stub
          name={t("shell.learner")}
          value={docket.learner.name}
          open={(props) => <Learners {...props} />}
        />
        <Stub
          name={t("shell.vehicle and seat")}
          value={`${docket.vehicle.name} · ${docket.seat.name}`}
          open={(props) => <Documents kind="seat" {...props} />}
        />
        <Stub
          name={t("shell.ground")}
          value={docket.ground.name}
          open={(props) => <Documents kind="ground" {...props} />}
        />
        <Stub
          name={t("shell.method")}
          value={docket.method.name}
          open={({ close }) => <MethodChooser close={close} />}
        />
        <Stub
          name={t("shell.judged by")}
          value={docket.standard.name}
          open={(props) => <Documents kind="standard" {...props} />}
        />
      </Box>
    </Box>
  );
};

const twoLines = {
  overflow: "hidden",
  display: "-webkit-box",
  WebkitLineClamp: 2,
  WebkitBoxOrient: "vertical",
  lineHeight: 1.2,
} as const;
const oneLine = { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" } as const;

interface Opened {
  name: string;
  anchor: HTMLElement;
  close: () => void;
}

const Learners = ({ name, anchor, close }: Opened) => {
  const docket = useDocket();
  const change = useChangeDocket();
  const [search, setSearch] = useState("");
  const words = useDeferredValue(search.trim());
  const { data } = useQuery(learnersQuery(words));
  return (
    <Picker
      name={name}
      anchor={anchor}
      choices={(data?.items ?? []).map((person) => ({ id: person.id, text: person.name }))}
      count={data?.count ?? 0}
      chosen={docket.learner.id}
      search={search}
      setSearch={setSearch}
      choose={(learner) => {
        close();
        change({ learner });
      }}
      close={close}
    />
  );
};

const Documents = ({
  kind,
  name,
  anchor,
  close,
}: Opened & { kind: "seat" | "ground" | "standard" }) => {
  const docket = useDocket();
  const change = useChangeDocket();
  const [search, setSearch] = useState("");
  const words = useDeferredValue(search.trim());
  const sort = kind === "seat" ? "vehicle" : "name";
  const { data } = useQuery(documentsQuery(kind, { search: words, sort, limit: SOME }));
  const choices = (data?.items ?? []).map(
    (entry): Choice => ({
      id: entry.id,
      text: entry.latest.name,
      ...(entry.kind === "seat" && { group: entry.vehicle_name }),
    }),
  );
  return (
    <Picker
      name={name}
      anchor={anchor}
      choices={choices}
      count={data?.count ?? 0}
      chosen={docket[kind].document_id}
      search={search}
      setSearch={setSearch}
      choose={(id) => {
        close();
        change({ [kind]: id });
      }}
      close={close}
    />
  );
};

interface StubProps {
  name: string;
  value: string;
  open: (opened: Opened) => ReactNode;
}

const Stub = ({ name, value, open }: StubProps) => {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <ButtonBase
        aria-haspopup="dialog"
        title={value}
        onClick={(e: MouseEvent<HTMLElement>) => setAnchor(e.currentTarget)}
        sx={{
          flex: "1 1 auto",
          minWidth: 0,
          display: "block",
          textAlign: "left",
          px: 2,
          minHeight: { xs: 52, sm: 64 },
          borderLeft: { sm: "2px dashed #5B686A" },
          borderTop: { xs: "2px dashed #5B686A", sm: "none" },
          "&:focus-visible": { outline: `3px solid ${ink.marigold}`, outlineOffset: -3 },
        }}
      >
        <Box sx={{ fontSize: 12, opacity: 0.8 }}>
          {name}
          {/* Said, not seen: it parts the name from what it is. */}
          <Box component="span" sx={{ fontSize: 0 }}>
            :
          </Box>
        </Box>
        <Box sx={{ ...twoLines, fontSize: 15, fontWeight: 700 }}>{value}</Box>
      </ButtonBase>
      {anchor && <Suspense>{open({ name, anchor, close: () => setAnchor(null) })}</Suspense>}
    </>
  );
};
