/** Station 2: the place, to scale, its measures typed or dragged where they are drawn. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { api, dataOf } from "../../api/client";
import type { GroundBody, GroundState, Metres, Revision } from "../../api/types";
import { Columns } from "../../shell/Columns";
import { LengthField } from "../../shell/LengthField";
import { ReviseBar } from "../../shell/ReviseBar";
import { Failure, Waiting } from "../../shell/states";
import { useDocket, useRole } from "../../shell/useDocket";
import { useRevise } from "../../shell/useRevise";
import { type BayChange, BayPanel } from "./BayPanel";
import { BaySlab } from "./BaySlab";
import { KerbSlab } from "./KerbSlab";
import { NewPlace } from "./NewPlace";
import { PlaceCheck } from "./PlaceCheck";

/** What a drawing of the place needs, whichever kind it is. */
export interface SlabProps {
  ground: GroundBody;
  measures: Record<string, Metres>;
  readOnly: boolean;
  onMeasure: (measure: string, metres: Metres) => void;
}

const GroundStation = () => {
  const docket = useDocket();
  return <Place key={docket.ground.id} revision={docket.ground} />;
};

type Body = Record<string, never>;
type Change = (body: Body) => Promise<GroundState>;

const asBody = (ground: GroundBody) => ground as unknown as Body;

/** The measures of a draft, and the changes that the core makes to it. */
const useGround = (revision: Revision) => {
  const draft = useRevise<GroundBody>(revision);
  const measured = useQuery({
    queryKey: ["ground", draft.body],
    queryFn: async ({ signal }) =>
      dataOf(
        await api.POST("/api/grounds/measure", { body: { body: asBody(draft.body) }, signal }),
      ),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
  // One change after the other, each on what the one before it left: none is lost to another.
  const change = useMutation({
    scope: draft.scope,
    mutationFn: async (make: Change) => make(asBody(draft.latest())),
    onSuccess: (state: GroundState) => draft.edit(state.body as unknown as GroundBody),
  });
  return {
    draft,
    measured,
    error: change.error,
    adjust: (measure: string, metres: Metres) =>
      change.mutate(async (body) =>
        dataOf(await api.POST("/api/grounds/adjust", { body: { body, measure, metres } })),
      ),
    behind: (gap_m: Metres | null) =>
      change.mutate(async (body) =>
        dataOf(await api.POST("/api/grounds/behind", { body: { body, gap_m } })),
      ),
    bay: (part: BayChange) =>
      change.mutate(async (body) =>
        dataOf(await api.POST("/api/grounds/bay", { body: { body, ...part } })),
      ),
    turn: () =>
      change.mutate(async (body) =>
        dataOf(await api.POST("/api/grounds/side", { body: { body } })),
      ),
  };
};

const Place = ({ revision }: { revision: Revision }) => {
  const { draft, measured, error, adjust, behind, bay, turn } = useGround(revision);
  const readOnly = useRole() === "learner";
  const ground = draft.body;
  if (measured.isPending) return <Waiting what="Measuring the place" />;
  if (!measured.data)
    return <Failure error={measured.error} retry={() => void measured.refetch()} />;
  const measures = measured.data.measures;
  const set = (measure: string) => (metres: Metres | null) =>
    metres !== null && adjust(measure, metres);
  const field = (measure: string, label: string, bare: "m" | "cm" = "m") => (
    <LengthField
      label={label}
      metres={measures[measure] ?? null}
      bare={bare}
      readOnly={readOnly}
      width={136}
      onCommit={set(measure)}
    />
  );
  const { goal } = ground;
  const Drawn = goal.kind === "bay" ? BaySlab : KerbSlab;
  const edge = goal.kind === "bay" ? "Bay" : "Kerb";
  return (
    <Columns least={560}>
      <Drawn ground={ground} measures={measures} readOnly={readOnly} onMeasure={adjust} />
      <Box sx={{ display: "flex", flexDirection: "column", gap: 1.5, overflowY: "auto" }}>
        {error && <Alert severity="error">{error.message}</Alert>}
        <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <Typography variant="h2">{ground.name}</Typography>
          <ToggleButtonGroup
            exclusive
            fullWidth
            value={ground.side}
            disabled={readOnly}
            aria-label={edge}
            onChange={(_, side) => side && side !== ground.side && turn()}
          >
            <ToggleButton value="left">{edge} left</ToggleButton>
            <ToggleButton value="right">{edge} right</ToggleButton>
          </ToggleButtonGroup>
          {goal.kind === "bay" ? (
            <BayPanel ground={ground} goal={goal} readOnly={readOnly} change={bay} />
          ) : goal.behind === null ? (
            <Button variant="outlined" disabled={readOnly} onClick={() => behind(7.5)}>
              Park a vehicle behind
            </Button>
          ) : (
            <Button variant="outlined" disabled={readOnly} onClick={() => behind(null)}>
              Take the one behind away
            </Button>
          )}
          {goal.kind === "kerbside" && field("road_width", "Road width")}
        </Paper>
        <Paper sx={{ p: 2, display: "grid", gap: 1.5 }}>
          <Typography variant="h2">Wanted at the end</Typography>
          <Box sx={{ display: "flex", gap: 1.5 }}>
            {goal.kind === "kerbside" ? (
              <>
                {field("goal_kerb", "Wheels off the kerb", "cm")}
                {field("goal_ahead", "To vehicle ahead")}
              </>
            ) : (
              field("goal_head", goal.head === "wheel stop" ? "Tyres to stop" : "To the head", "cm")
            )}
          </Box>
          {goal.kind === "bay" && (
            <Typography sx={{ fontSize: 13 }} color="text.secondary">
              Midway between the lines, in line with the bay.
            </Typography>
          )}
          <ReviseBar revision={revision} draft={draft as never} what="ground" />
        </Paper>
        <PlaceCheck
          notes={ground.check ?? {}}
          found={measured.data.suitability}
          readOnly={readOnly}
          change={(part) => draft.edit({ ...ground, check: { ...ground.check, ...part } })}
        />
        {!readOnly && <NewPlace />}
        <Typography sx={{ fontSize: 13 }} color="text.secondary">
          Practise only where it is legal, quiet and clear of junctions, crossings and driveways. A
          parked vehicle may drive off in mid-attempt; one that stands askew or up on the kerb
          misleads every cue taken from it.
        </Typography>
      </Box>
    </Columns>
  );
};

export default GroundStation;
