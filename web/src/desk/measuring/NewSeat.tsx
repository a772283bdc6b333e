/** Somebody's eye in a vehicle, from nothing: by the tape, or from how tall they are. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import {
  keepPreviousData,
  skipToken,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { added } from "../../api/added";
import { ask } from "../../api/client";
import type { EyeFound, Metres, VehicleBody } from "../../api/types";
import { LengthField } from "../../shell/LengthField";
import { NumberField } from "../../shell/NumberField";
import { length } from "../../shell/units";
import { useSchool, useUnits } from "../../shell/useDocket";
import { useStored } from "../../shell/useStored";
import { t } from "../../words";
import { PersonField, type Somebody } from "../PersonField";
import { Slips } from "./Walk";

interface Typed {
  name: string;
  tall: boolean;
  above: Metres | null;
  behind: Metres | null;
  beside: Metres | null;
  stature: Metres | null;
  back: number | null;
  up: number | null;
}

const NOTHING: Typed = {
  name: "",
  tall: false,
  above: null,
  behind: null,
  beside: null,
  stature: null,
  back: null,
  up: null,
};
const NOBODY: Somebody = { id: 0, name: "" };

/** The eye, as soon as enough is typed to say where it is. */
const useEye = (vehicle: VehicleBody, typed: Typed) => {
  // The driver sits toward the middle of the road.
  const driver: "left" | "right" = useSchool().keeps === "left" ? "right" : "left";
  const { tall, above, behind, beside, stature, back, up } = typed;
  const enough = tall ? stature !== null : above !== null && behind !== null;
  const read = tall
    ? { stature_m: stature, back, up }
    : { above_m: above, behind_m: behind, beside_m: beside };
  const body = { vehicle, driver, ...read };
  return useQuery({
    queryKey: ["eye", body],
    queryFn: enough ? ({ signal }) => ask.post("/api/seats/eye", { body, signal }) : skipToken,
    ...(enough && { placeholderData: keepPreviousData }),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
};

interface Props {
  vehicle: { id: number; body: VehicleBody };
  /** Whose it will be, where that is known; else it may be said. */
  whose?: Somebody;
  /** Whether there is anybody yet whose it could be. */
  anybody?: boolean;
  kept?: (seat: number) => void;
}

export const NewSeat = ({ vehicle, whose, anybody = true, kept }: Props) => {
  const client = useQueryClient();
  const keeps = useSchool().keeps;
  const [stored, setTyped, forget] = useStored<Typed>(`new seat/${vehicle.id}`, NOTHING);
  const [sitter, setSitter] = useStored<Somebody>(`new seat/${vehicle.id}/sitter`, NOBODY);
  // What was typed before there was more to type has less.
  const typed = { ...NOTHING, ...stored };
  const put = (part: Partial<Typed>) => setTyped({ ...typed, ...part });
  const found = useEye(vehicle.body, typed);
  const keep = useMutation({
    mutationFn: ({ eye, eye_by, uncertain_m }: EyeFound) =>
      ask.post("/api/documents", {
        body: {
          kind: "seat",
          vehicle_id: vehicle.id,
          sitter_id: (whose ?? sitter).id || null,
          body: { format: "fair-corner/seat@1", name: typed.name.trim(), eye, eye_by, uncertain_m },
        },
      }),
    onSuccess: async (seat) => {
      forget();
      await added(client, "documents");
      await client.invalidateQueries({ queryKey: ["docket"] });
      kept?.(seat.document_id);
    },
  });
  const labels = {
    above_m: t("begin.eye above the ground"),
    behind_m: t("begin.eye behind the front axle"),
  };
  const fields = { above_m: "above", behind_m: "behind" } as const;
  const ready = found.data && !found.isPlaceholderData && typed.name.trim() !== "";
  return (
    <Box sx={{ display: "grid", gap: 1.5, pt: 1 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        <TextField
          size="small"
          label={t("begin.name of the seat")}
          placeholder={t("begin.like Nia, seat 4")}
          value={typed.name}
          onChange={(e) => put({ name: e.target.value })}
        />
        {!whose && anybody && (
          <PersonField
            label={t("measure.whose seat")}
            among={{ role: "learner" }}
            value={sitter}
            choose={setSitter}
          />
        )}
      </Box>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={typed.tall}
        aria-label={t("measure.how the eye is found")}
        onChange={(_, tall: boolean | null) => tall !== null && put({ tall })}
        sx={{ "& button": { minHeight: 44, px: 2 } }}
      >
        <ToggleButton value={false}>{t("measure.by the tape")}</ToggleButton>
        <ToggleButton value={true}>{t("measure.by how tall")}</ToggleButton>
      </ToggleButtonGroup>
      {typed.tall ? (
        <Tall typed={typed} put={put} />
      ) : (
        <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
          <LengthField
            label={labels.above_m}
            metres={typed.above}
            width={190}
            optional
            onCommit={(above) => put({ above })}
          />
          <LengthField
            label={labels.behind_m}
            metres={typed.behind}
            width={190}
            optional
            onCommit={(behind) => put({ behind })}
          />
          <LengthField
            label={
              keeps === "left" ? t("begin.eye right of middle") : t("begin.eye left of middle")
            }
            metres={typed.beside}
            width={190}
            optional
            onCommit={(beside) => put({ beside })}
          />
        </Box>
      )}
      <Typography sx={{ fontSize: 13 }} color="text.secondary">
        {t(typed.tall ? "measure.how tall is taken" : "begin.how to tape an eye")}{" "}
        {t("seat.tape with brakes set")}
      </Typography>
      {found.data && <Found found={found.data} wheelbase={vehicle.body.wheelbase_m} />}
      <Slips
        slips={found.data?.slips ?? []}
        labels={labels}
        take={(field, value) => put({ [fields[field as keyof typeof fields]]: value })}
      />
      {found.error && <Alert severity="error">{found.error.message}</Alert>}
      {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
      <Button
        variant="contained"
        sx={{ justifySelf: "start" }}
        disabled={!ready}
        loading={keep.isPending}
        onClick={() => found.data && keep.mutate(found.data)}
      >
        {t("begin.keep the seat")}
      </Button>
    </Box>
  );
};

const Tall = ({ typed, put }: { typed: Typed; put: (part: Partial<Typed>) => void }) => (
  <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
    <LengthField
      label={t("measure.how tall")}
      metres={typed.stature}
      width={150}
      optional
      onCommit={(stature) => put({ stature })}
    />
    <NumberField
      label={t("measure.notches back")}
      value={typed.back}
      width={190}
      optional
      onCommit={(back) => put({ back: back === null ? null : Math.round(back) })}
    />
    <NumberField
      label={t("measure.notches up")}
      value={typed.up}
      width={190}
      optional
      onCommit={(up) => put({ up: up === null ? null : Math.round(up) })}
    />
  </Box>
);

const Found = ({ found, wheelbase }: { found: EyeFound; wheelbase: Metres }) => {
  const units = useUnits();
  const { eye, uncertain_m: off } = found;
  const told = (metres: Metres) => length(metres, units);
  return (
    <Typography role="status" sx={{ fontSize: 15, fontWeight: 650 }}>
      {t(`measure.eye by ${found.eye_by}`)}{" "}
      {t("measure.eye found", {
        above: told(eye.z_m),
        behind: told(wheelbase - eye.x_m),
        beside: told(Math.abs(eye.y_m)),
        off: told(Math.max(off.x_m, off.y_m, off.z_m)),
      })}
    </Typography>
  );
};
