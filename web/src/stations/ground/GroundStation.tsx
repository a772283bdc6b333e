/** Station 2: the place, to scale, its measures typed or dragged where they are drawn. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import Paper from "@mui/material/Paper";
import Switch from "@mui/material/Switch";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../../api/client";
import type { GroundBody, GroundState, Metres, Revision, Thing } from "../../api/types";
import { PLACES } from "../../places";
import type { Field } from "../../places/place";
import { Columns } from "../../shell/Columns";
import { LengthField } from "../../shell/LengthField";
import { ReviseBar } from "../../shell/ReviseBar";
import { Failure, Waiting } from "../../shell/states";
import { useDocket, useMay } from "../../shell/useDocket";
import { useRevise } from "../../shell/useRevise";
import { t } from "../../words";
import { GroundSlab } from "./GroundSlab";
import { NewPlace } from "./NewPlace";
import { PlaceCheck } from "./PlaceCheck";
import { ThingsPanel } from "./ThingsPanel";

const GroundStation = () => {
  const docket = useDocket();
  return <Place key={docket.ground.id} revision={docket.ground} />;
};

type Change = (body: GroundBody) => Promise<GroundState>;

/** The measures of a draft, and the changes that the core makes to it. */
const useGround = (revision: Revision<"ground">) => {
  const client = useQueryClient();
  const draft = useRevise(revision);
  const measured = useQuery({
    queryKey: ["ground", draft.body],
    queryFn: ({ signal }) =>
      ask.post("/api/grounds/measure", { body: { body: draft.body }, signal }),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
  // One change after the other, each on what the one before it left: none is lost to another.
  const change = useMutation({
    scope: draft.scope,
    mutationFn: async (make: Change) => {
      const sent = draft.latest();
      return { sent, state: await make(sent) };
    },
    onSuccess: ({ sent, state }: { sent: GroundBody; state: GroundState }) => {
      const { edging, check } = draft.latest();
      // What was switched or noted while the answer came is kept: the core changes neither.
      const body = { ...state.body, edging, ...(check && { check }) };
      // Measured already: a field never stands for a place that an undo has taken back.
      client.setQueryData(["ground", body], { ...state, body });
      draft.edit(body);
      if (edging !== sent.edging || check !== sent.check)
        void client.invalidateQueries({ queryKey: ["ground", body] });
    },
  });
  return {
    draft,
    measured,
    error: change.error,
    adjust: (measure: string, metres: Metres) =>
      change.mutate((body) => ask.post("/api/grounds/adjust", { body: { body, measure, metres } })),
    change: change.mutate,
    put: (thing: Thing) =>
      change.mutateAsync((body) => ask.post("/api/grounds/thing", { body: { body, ...thing } })),
    take: (name: string) =>
      change.mutate((body) => ask.post("/api/grounds/without", { body: { body, name } })),
    turn: () => change.mutate((body) => ask.post("/api/grounds/side", { body: { body } })),
  };
};

const Place = ({ revision }: { revision: Revision<"ground"> }) => {
  const { draft, measured, error, adjust, change, put, take, turn } = useGround(revision);
  const readOnly = !useMay().shape;
  const ground = draft.body;
  if (measured.isPending) return <Waiting what={t("ground.measuring the place")} />;
  if (!measured.data)
    return <Failure error={measured.error} retry={() => void measured.refetch()} />;
  const measures = measured.data.measures;
  const set = (measure: string) => (metres: Metres | null) =>
    metres !== null && adjust(measure, metres);
  const field = (...[measure, label, bare = "m"]: Field) => (
    <LengthField
      key={measure}
      label={t(label)}
      metres={measures[measure] ?? null}
      bare={bare}
      readOnly={readOnly}
      width={136}
      onCommit={set(measure)}
    />
  );
  const { goal } = ground;
  const place = PLACES[goal.kind];
  return (
    <Columns least={560}>
      <GroundSlab
        ground={ground}
        state={measured.data}
        readOnly={readOnly}
        onMeasure={adjust}
        onThing={put}
      />
      <Box sx={{ display: "flex", flexDirection: "column", gap: 1.5, overflowY: "auto" }}>
        {error && <Alert severity="error">{error.message}</Alert>}
        <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <Typography variant="h2">{ground.name}</Typography>
          <ToggleButtonGroup
            exclusive
            fullWidth
            value={ground.side}
            disabled={readOnly}
            aria-label={t(place.side)}
            onChange={(_, side) => side && side !== ground.side && turn()}
          >
            <ToggleButton value="left">{t("ground.left", { what: t(place.side) })}</ToggleButton>
            <ToggleButton value="right">{t("ground.right", { what: t(place.side) })}</ToggleButton>
          </ToggleButtonGroup>
          {place.Controls && (
            <place.Controls ground={ground} readOnly={readOnly} change={change} field={field} />
          )}
          {place.kerbed && (
            <FormControlLabel
              sx={{ mx: 0, gap: 0.5 }}
              control={
                <Switch
                  edge="start"
                  checked={ground.edging === "verge"}
                  disabled={readOnly}
                  onChange={(_, verge) =>
                    draft.edit({ ...ground, edging: verge ? "verge" : "kerb" })
                  }
                />
              }
              label={t("ground.a verge without a kerb")}
            />
          )}
        </Paper>
        <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <Typography variant="h2">{t("ground.wanted at the end")}</Typography>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
            {place.wanted(goal).map((wanted) => field(...wanted))}
          </Box>
          {place.stood && (
            <Typography sx={{ fontSize: 13 }} color="text.secondary">
              {t(place.stood)}
            </Typography>
          )}
          <ReviseBar revision={revision} draft={draft} what="ground" />
        </Paper>
        {!readOnly && (
          <ThingsPanel ground={ground} things={measured.data.things} onThing={put} take={take} />
        )}
        <PlaceCheck
          notes={ground.check ?? {}}
          found={measured.data.suitability}
          readOnly={readOnly}
          change={(part) => draft.edit({ ...ground, check: { ...ground.check, ...part } })}
        />
        {!readOnly && <NewPlace />}
        <Typography sx={{ fontSize: 13 }} color="text.secondary">
          {t("ground.practise only where")}
        </Typography>
      </Box>
    </Columns>
  );
};

export default GroundStation;
