/** A mirror's glass: how large and how curved it is and what it is set to show; and one more. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { moreMirrorsQuery } from "../../api/queries";
import type { Metres, MirrorBody, SeatBody, VehicleBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { Failure, Waiting } from "../../shell/states";
import { named, t } from "../../words";
import { FIELD, FieldGrid } from "./FieldGrid";

const USES = ["behind", "flank", "wide", "tyre", "door", "nose"] as const;
/** What a convex glass begins with when somebody says that it is one, m; typed over by what it is. */
const CONVEX = 1.3;

interface FieldsProps {
  vehicle: VehicleBody;
  /** The part that is looked at; nothing is shown where it is no mirror. */
  part: string | null;
  edit: (vehicle: VehicleBody) => void;
  readOnly: boolean;
}

export const MirrorFields = ({ vehicle, part, edit, readOnly }: FieldsProps) => {
  const [kind, at] = part?.split(" ") ?? [];
  const index = Number(at);
  const mirror = kind === "mirror" ? vehicle.mirrors[index] : undefined;
  if (!mirror) return null;
  const change = (made: Partial<MirrorBody>) =>
    edit({
      ...vehicle,
      mirrors: vehicle.mirrors.map((one, i) =>
        i === index ? { ...one, assumed: false, ...made } : one,
      ),
    });
  const size = (axis: 0 | 1, label: string) => (
    <LengthField
      label={label}
      metres={across(mirror, axis)}
      bare="cm"
      readOnly={readOnly}
      width={FIELD}
      onCommit={(m) => m !== null && change({ outline_m: scaled(mirror, axis, m) })}
    />
  );
  return (
    <Box sx={{ display: "grid", gap: 1.25 }}>
      <FieldGrid>
        {size(0, t("measure.mirror wide"))}
        {size(1, t("measure.mirror high"))}
        <TextField
          select
          size="small"
          label={t("measure.mirror curve")}
          value={mirror.radius_m === null ? "flat" : "convex"}
          disabled={readOnly}
          onChange={(e) => change({ radius_m: e.target.value === "flat" ? null : CONVEX })}
        >
          <MenuItem value="flat">{t("measure.mirror flat")}</MenuItem>
          <MenuItem value="convex">{t("measure.mirror convex")}</MenuItem>
        </TextField>
        {mirror.radius_m !== null && (
          <LengthField
            label={t("measure.mirror radius")}
            metres={mirror.radius_m}
            readOnly={readOnly}
            width={FIELD}
            onCommit={(radius_m) => change({ radius_m })}
          />
        )}
      </FieldGrid>
      <TextField
        select
        size="small"
        label={t("measure.mirror set for")}
        value={mirror.set_for ?? "nothing"}
        disabled={readOnly}
        onChange={(e) => change({ set_for: USES.find((use) => use === e.target.value) ?? null })}
      >
        {(["nothing", ...USES] as const).map((use) => (
          <MenuItem key={use} value={use}>
            {t(`measure.mirror set for ${use}`)}
          </MenuItem>
        ))}
      </TextField>
      {mirror.on && (
        <Typography sx={{ fontSize: 13 }}>
          {t("measure.mirror turns with", { name: named(mirror.on) })}
        </Typography>
      )}
      {!readOnly && (
        <Button
          size="small"
          sx={{ justifySelf: "start" }}
          onClick={() => edit({ ...vehicle, mirrors: without(vehicle, mirror.name) })}
        >
          {t("measure.take it off")}
        </Button>
      )}
    </Box>
  );
};

interface AddProps {
  vehicle: VehicleBody;
  seat: SeatBody;
  edit: (vehicle: VehicleBody) => void;
  /** Told which part the new one is, so that it can be moved at once. */
  put: (key: string) => void;
}

export const AddMirror = ({ vehicle, seat, edit, put }: AddProps) => {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button size="small" sx={{ justifySelf: "start" }} onClick={() => setOpen(true)}>
        {t("measure.add a mirror")}
      </Button>
    );
  return (
    <Choice
      vehicle={vehicle}
      seat={seat}
      take={(mirror) => {
        edit({ ...vehicle, mirrors: [...vehicle.mirrors, mirror] });
        put(`mirror ${vehicle.mirrors.length}`);
        setOpen(false);
      }}
      close={() => setOpen(false)}
    />
  );
};

interface ChoiceProps extends Pick<AddProps, "vehicle" | "seat"> {
  take: (mirror: MirrorBody) => void;
  close: () => void;
}

const Choice = ({ vehicle, seat, take, close }: ChoiceProps) => {
  const more = useQuery(moreMirrorsQuery(vehicle, seat));
  const [name, setName] = useState("");
  if (more.error) return <Failure error={more.error} retry={() => void more.refetch()} />;
  if (!more.data) return <Waiting what={t("measure.add a mirror")} />;
  const { mirrors } = more.data;
  const chosen = mirrors.find((mirror) => mirror.name === name);
  return (
    <Box sx={{ display: "grid", gap: 1.25 }}>
      {mirrors.length === 0 ? (
        t("measure.no more mirrors")
      ) : (
        <TextField
          select
          size="small"
          label={t("measure.mirror to add")}
          value={chosen ? name : ""}
          helperText={t("measure.mirror as usual")}
          onChange={(e) => setName(e.target.value)}
        >
          {mirrors.map((mirror) => (
            <MenuItem key={mirror.name} value={mirror.name}>
              {named(mirror.name)}
            </MenuItem>
          ))}
        </TextField>
      )}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button
          variant="outlined"
          size="small"
          disabled={!chosen}
          onClick={() => chosen && take(chosen)}
        >
          {t("measure.put it down")}
        </Button>
        <Button size="small" onClick={close}>
          {t("shell.cancel")}
        </Button>
      </Box>
    </Box>
  );
};

const across = (mirror: MirrorBody, axis: 0 | 1): Metres => {
  const places = mirror.outline_m.map((point) => point[axis]);
  return Number((Math.max(...places) - Math.min(...places)).toFixed(4));
};

/** The same shape, so wide or so high. */
const scaled = (mirror: MirrorBody, axis: 0 | 1, metres: Metres): MirrorBody["outline_m"] => {
  const by = metres / across(mirror, axis);
  const made = (value: number, of: 0 | 1) => Number((of === axis ? value * by : value).toFixed(4));
  return mirror.outline_m.map(([a, u]) => [made(a, 0), made(u, 1)]);
};

/** What is stuck to a mirror goes with it. */
const without = (vehicle: VehicleBody, name: string) =>
  vehicle.mirrors.filter((one) => one.name !== name && one.on !== name);
