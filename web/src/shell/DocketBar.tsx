/** The docket: five ticket stubs, the context of all six stations. */

import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import ListSubheader from "@mui/material/ListSubheader";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useQuery } from "@tanstack/react-query";
import { lazy, type MouseEvent, type ReactNode, Suspense, useState } from "react";
import { documentsQuery, peopleQuery } from "../api/queries";
import { ink } from "../theme";
import { t } from "../words";
import { Mark } from "./Mark";
import { useChangeDocket, useDocket } from "./useDocket";

const MethodChooser = lazy(async () => ({
  default: (await import("./MethodChooser")).MethodChooser,
}));

export const DocketBar = () => {
  const docket = useDocket();
  const change = useChangeDocket();
  const [choosing, setChoosing] = useState(false);
  const { data: people = [] } = useQuery(peopleQuery);
  const { data: documents = [] } = useQuery(documentsQuery);
  const pick = (kind: "ground" | "standard") =>
    documents
      .filter((d) => d.kind === kind)
      .map((d) => ({
        id: d.id,
        text: d.latest.name,
        chosen: d.id === docket[kind].document_id,
        choose: () => change({ [kind]: d.id }),
      }));
  const measured = documents.filter((d) => d.kind === "seat");
  const seats = documents
    .filter((d) => d.kind === "vehicle")
    .flatMap((vehicle) => [
      { id: -vehicle.id, text: vehicle.latest.name, heading: true },
      ...measured
        .filter((seat) => seat.vehicle_id === vehicle.id)
        .map((seat) => ({
          id: seat.id,
          text: seat.latest.name,
          chosen: seat.id === docket.seat.document_id,
          choose: () => change({ seat: seat.id }),
        })),
    ]);
  const learners = people
    .filter((p) => p.role === "learner" && (p.active || p.id === docket.learner.id))
    .map((p) => ({
      id: p.id,
      text: p.name,
      chosen: p.id === docket.learner.id,
      choose: () => change({ learner: p.id }),
    }));
  return (
    <Box
      component="header"
      sx={{
        display: "flex",
        height: 64,
        flexShrink: 0,
        background: ink.ink,
        color: "#fff",
        "@media print": { background: "#fff", color: ink.ink, borderBottom: 1 },
      }}
    >
      <Box sx={{ width: 92, display: "grid", placeItems: "center", alignContent: "center" }}>
        <Mark size={34} />
        <Box sx={{ fontWeight: 700, fontSize: 13 }}>Fair Corner</Box>
      </Box>
      <Stub name={t("shell.learner")} value={docket.learner.name} choices={learners} />
      <Stub
        name={t("shell.vehicle and seat")}
        value={`${docket.vehicle.name} · ${docket.seat.name}`}
        choices={seats}
      />
      <Stub name={t("shell.ground")} value={docket.ground.name} choices={pick("ground")} />
      <Stub name={t("shell.method")} value={docket.method.name} open={() => setChoosing(true)} />
      <Stub name={t("shell.judged by")} value={docket.standard.name} choices={pick("standard")} />
      {choosing && (
        <Suspense>
          <MethodChooser close={() => setChoosing(false)} />
        </Suspense>
      )}
    </Box>
  );
};

interface Choice {
  id: number;
  text: string;
  heading?: boolean;
  chosen?: boolean;
  choose?: () => void;
}

interface StubProps {
  name: string;
  value: string;
  choices?: Choice[];
  /** Opens something of its own instead of a list. */
  open?: () => void;
}

const Stub = ({ name, value, choices = [], open }: StubProps) => {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const item = (choice: Choice): ReactNode =>
    choice.heading ? (
      <ListSubheader key={choice.id}>{choice.text}</ListSubheader>
    ) : (
      <MenuItem
        key={choice.id}
        selected={choice.chosen ?? false}
        sx={{ minHeight: 44 }}
        onClick={() => {
          setAnchor(null);
          choice.choose?.();
        }}
      >
        {choice.text}
      </MenuItem>
    );
  return (
    <>
      <ButtonBase
        aria-label={`${name}: ${value}`}
        title={value}
        onClick={(e: MouseEvent<HTMLElement>) => (open ? open() : setAnchor(e.currentTarget))}
        sx={{
          flex: "1 1 auto",
          minWidth: 0,
          display: "block",
          textAlign: "left",
          px: 2,
          borderLeft: "2px dashed #5B686A",
          "&:focus-visible": { outline: `3px solid ${ink.marigold}`, outlineOffset: -3 },
        }}
      >
        <Box sx={{ fontSize: 12, opacity: 0.8 }}>{name}</Box>
        <Box
          sx={{
            fontSize: 15,
            fontWeight: 700,
            overflow: "hidden",
            textOverflow: "ellipsis",
            whiteSpace: "nowrap",
          }}
        >
          {value}
        </Box>
      </ButtonBase>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {choices.map(item)}
      </Menu>
    </>
  );
};
