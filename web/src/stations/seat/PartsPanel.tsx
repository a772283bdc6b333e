/** One place after the other: what of the vehicle is measured and what assumed, and marks of one's own. */

import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Metres, SeatBody, VehicleBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { named, t } from "../../words";
import { FIELD, FieldGrid } from "./FieldGrid";
import type { Part, Place } from "./parts";

interface Props {
  parts: readonly Part[];
  chosen: Part | null;
  choose: (key: string | null) => void;
  move: (to: Place) => void;
  readOnly: boolean;
}

export const PartsPanel = ({ parts, chosen, choose, move, readOnly }: Props) => (
  <Box sx={{ display: "grid", gap: 1.25 }}>
    <Typography variant="h2">{t("measure.parts")}</Typography>
    <Autocomplete
      size="small"
      options={[...parts]}
      value={chosen}
      getOptionLabel={(part) => part.name}
      getOptionKey={(part) => part.key}
      isOptionEqualToValue={(a, b) => a.key === b.key}
      onChange={(_, part) => choose(part?.key ?? null)}
      openText={t("shell.open the list")}
      closeText={t("shell.close the list")}
      clearText={t("shell.close")}
      noOptionsText={t("shell.nothing found")}
      renderInput={(params) => <TextField {...params} label={t("measure.part")} />}
    />
    {chosen && <Where part={chosen} move={move} readOnly={readOnly} />}
  </Box>
);

const Where = ({ part, move, readOnly }: { part: Part } & Pick<Props, "move" | "readOnly">) => {
  const { at, assumed } = part;
  const field = (label: string, axis: keyof Place) => (
    <LengthField
      label={label}
      metres={at[axis]}
      readOnly={readOnly}
      width={FIELD}
      onCommit={(metres) => metres !== null && move({ ...at, [axis]: metres })}
    />
  );
  return (
    <Box sx={{ display: "grid", gap: 1.25 }}>
      <Chip
        size="small"
        sx={{ justifySelf: "start" }}
        variant={assumed ? "outlined" : "filled"}
        color={assumed ? "warning" : "primary"}
        label={t(
          assumed === null
            ? "measure.part own"
            : assumed
              ? "measure.part assumed"
              : "measure.part measured",
        )}
      />
      <FieldGrid>
        {field(t("measure.along"), "x_m")}
        {field(t("measure.aside"), "y_m")}
        {field(t("measure.up"), "z_m")}
      </FieldGrid>
    </Box>
  );
};

interface OwnProps {
  vehicle: VehicleBody;
  seat: SeatBody;
  edit: (seat: SeatBody) => void;
  /** Told which part a new mark is, so that it can be moved at once. */
  put: (key: string) => void;
}

const DASH = "dash";

/** Marks of one's own: they belong to the seat. */
export const OwnMarks = ({ vehicle, seat, edit, put }: OwnProps) => {
  const [open, setOpen] = useState(false);
  return (
    <Box sx={{ display: "grid", gap: 1.25 }}>
      {seat.marks.map((mark, i) => (
        <Own
          key={mark.name}
          name={mark.name}
          where={mark.on ? named(mark.on) : t("measure.on the dash")}
          off={() => edit({ ...seat, marks: seat.marks.filter((_, k) => k !== i) })}
        />
      ))}
      {seat.dots.map((dot, i) => (
        <Dot
          key={dot.name}
          dot={dot}
          change={(part) =>
            edit({ ...seat, dots: seat.dots.map((d, k) => (k === i ? { ...d, ...part } : d)) })
          }
          off={() => edit({ ...seat, dots: seat.dots.filter((_, k) => k !== i) })}
        />
      ))}
      {open ? (
        <NewMark vehicle={vehicle} seat={seat} edit={edit} put={put} close={() => setOpen(false)} />
      ) : (
        <Button size="small" sx={{ justifySelf: "start" }} onClick={() => setOpen(true)}>
          {t("measure.own mark")}
        </Button>
      )}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t("measure.own marks told")}
      </Typography>
    </Box>
  );
};

const Own = ({ name, where, off }: { name: string; where: string; off: () => void }) => (
  <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
    <Box sx={{ flex: 1 }}>
      <b>{name}</b>, {where}
    </Box>
    <Button size="small" onClick={off}>
      {t("measure.take it off")}
    </Button>
  </Box>
);

interface DotProps {
  dot: SeatBody["dots"][number];
  change: (part: Partial<SeatBody["dots"][number]>) => void;
  off: () => void;
}

const Dot = ({ dot, change, off }: DotProps) => (
  <Box sx={{ display: "grid", gap: 1 }}>
    <Own name={dot.name} where={t("measure.dot on", { name: named(dot.mirror) })} off={off} />
    <Box sx={{ display: "flex", gap: 1.25, flexWrap: "wrap" }}>
      <LengthField
        label={t("measure.across")}
        metres={dot.across_m}
        bare="cm"
        width={FIELD}
        onCommit={(m) => m !== null && change({ across_m: m })}
      />
      <LengthField
        label={t("measure.up the glass")}
        metres={dot.up_m}
        bare="cm"
        width={FIELD}
        onCommit={(m) => m !== null && change({ up_m: m })}
      />
    </Box>
  </Box>
);

const NewMark = ({ vehicle, seat, edit, put, close }: OwnProps & { close: () => void }) => {
  const [name, setName] = useState("");
  const [where, setWhere] = useState(DASH);
  const near = (y: Metres) => (y > 0 ? t("seat.on the left") : t("seat.on the right"));
  const panes = vehicle.glass.map((pane, i) => {
    const y = mean(pane.polygon_m, 1);
    const side = Math.abs(y) < 0.05 ? "" : `, ${near(y)}`;
    return { value: `pane ${i}`, label: `${named(pane.name)}${side}` };
  });
  const mirrors = vehicle.mirrors.map((mirror) => ({
    value: `mirror ${mirror.name}`,
    label: named(mirror.name),
  }));
  const taken = [...seat.marks, ...seat.dots].some((one) => one.name === name.trim());
  const keep = () => {
    const [kind] = where.split(" ");
    if (kind === "mirror") {
      const mirror = where.slice("mirror ".length);
      const dot = { name: name.trim(), mirror, across_m: 0, up_m: 0 };
      edit({ ...seat, dots: [...seat.dots, dot] });
    } else {
      const pane = kind === "pane" ? vehicle.glass[Number(where.split(" ")[1])] : undefined;
      const at = pane
        ? {
            x_m: mean(pane.polygon_m, 0),
            y_m: mean(pane.polygon_m, 1),
            z_m: mean(pane.polygon_m, 2),
          }
        : onDash(vehicle, seat);
      const mark = { name: name.trim(), role: null, ...at, assumed: null, on: pane?.name ?? null };
      edit({ ...seat, marks: [...seat.marks, mark] });
      put(`own ${seat.marks.length}`);
    }
    close();
  };
  return (
    <Box sx={{ display: "grid", gap: 1.25, pt: 1 }}>
      <TextField
        size="small"
        label={t("measure.own mark name")}
        placeholder={t("measure.own mark like")}
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <TextField
        select
        size="small"
        label={t("measure.own mark where")}
        value={where}
        onChange={(e) => setWhere(e.target.value)}
      >
        <MenuItem value={DASH}>{t("measure.on the dash")}</MenuItem>
        {[...panes, ...mirrors].map(({ value, label }) => (
          <MenuItem key={value} value={value}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button variant="outlined" size="small" disabled={!name.trim() || taken} onClick={keep}>
          {t("measure.put it down")}
        </Button>
        <Button size="small" onClick={close}>
          {t("shell.cancel")}
        </Button>
      </Box>
    </Box>
  );
};

const mean = (corners: readonly (readonly [number, number, number])[], axis: 0 | 1 | 2): Metres =>
  Number((corners.reduce((sum, corner) => sum + corner[axis], 0) / corners.length).toFixed(3));

/** Below the windscreen, straight before the driver: where a line on the dash is begun from. */
const onDash = (vehicle: VehicleBody, seat: SeatBody): Place => {
  const screen = vehicle.glass.find((pane) => pane.name === "windscreen");
  const low = screen ? Math.min(...screen.polygon_m.map(([, , z]) => z)) : seat.eye.z_m - 0.3;
  const x = screen ? Math.max(...screen.polygon_m.map(([x_m]) => x_m)) : seat.eye.x_m + 0.8;
  return { x_m: Number((x - 0.25).toFixed(3)), y_m: seat.eye.y_m, z_m: Number(low.toFixed(3)) };
};
