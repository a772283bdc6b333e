/** Station 3: the computed cue sheet for this vehicle, seat, ground and method. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useCallback, useDeferredValue, useState } from "react";
import { ApiError } from "../../api/client";
import type { Docket, Plan, Pointed } from "../../api/types";
import { Ribbon } from "../../drawing/Ribbon";
import { SaveDrawing } from "../../drawing/SaveDrawing";
import { makeScrub, useFollowed } from "../../drawing/scrub";
import { PLACES } from "../../places";
import { Columns } from "../../shell/Columns";
import { OnAHill } from "../../shell/OnAHill";
import { Failure, Waiting } from "../../shell/states";
import { useDocket, useMay } from "../../shell/useDocket";
import { useLast } from "../../shell/useLast";
import { useRevise } from "../../shell/useRevise";
import { useSteady } from "../../shell/useSteady";
import { useVocabulary } from "../../shell/useVocabulary";
import { ink } from "../../theme";
import { t } from "../../words";
import { CallList } from "./CallList";
import { Clearances } from "./Clearances";
import { CueCard } from "./CueCard";
import { LeastRoom } from "./LeastRoom";
import { MethodEditor } from "./MethodEditor";
import { changeStep, waitingFor } from "./methodSteps";
import { PlanSlab } from "./PlanSlab";
import { PlayCall, usePlayed, useRescue } from "./PlayCall";
import { PrintedCues } from "./PrintedCues";
import { RestsOn } from "./RestsOn";
import { SheetBar } from "./SheetBar";
import { Sliders } from "./Sliders";
import { changesOver, spotAt } from "./told";
import { Unseen } from "./Unseen";
import { useCueOptions } from "./useCueOptions";
import { usePlan } from "./usePlan";
import { useFilm, useSights } from "./useSights";
import { WayOut } from "./WayOut";
import { WhoseSeat } from "./WhoseSeat";
import { WhyNot } from "./WhyNot";

const CuesStation = () => {
  const docket = useDocket();
  return <Sheet key={docket.method.document_id} docket={docket} />;
};

export default CuesStation;

/** Why a changed method cannot be driven, and at which step. */
const troubleOf = (error: Error | null, plan: Plan) => {
  if (error) {
    const field = error instanceof ApiError ? error.field : "";
    const step = /^steps\[(\d+)\]/.exec(field);
    return { text: error.message, step: step ? Number(step[1]) : null };
  }
  if (plan.feasible) return null;
  const { step, said } = plan.reason;
  const where = step === null ? "" : `${t("cues.step", { number: step + 1 })} `;
  return { text: `${where}${t("cues.this cannot be driven")} ${said.text}.`, step };
};

const Sheet = ({ docket }: { docket: Docket }) => {
  const shapes = useMay().shape;
  const vocabulary = useVocabulary();
  const place = vocabulary.places[docket.ground.body.goal.kind];
  const cue = useCueOptions(docket);
  const draft = useRevise(docket.method);
  const ground = docket.ground.body;
  const [editing, setEditing] = useState(draft.changed);
  const changed = draft.changed ? draft.body : undefined;
  const { plan, options, settled, ahead } = usePlan(docket, cue.options, changed);
  const sights = useSights(docket, options, changed, settled);
  const [scrub] = useState(makeScrub);
  const [active, setActive] = useState(1);
  const pick = useSteady((key: string | null) => {
    const { [active]: _, ...others } = cue.options.picks ?? {};
    cue.change({ picks: key === null ? others : { ...others, [active]: key } });
  });
  /** The step that ends here waits for this cue from now on: a change to the method. */
  const teach = useSteady((one: Pointed) => {
    const until = waitingFor(one, ground.side, vocabulary);
    draft.edit(changeStep(draft.body, active - 1, { until }));
    setEditing(true);
  });
  const [moved, setMoved] = useState({ call: 1, by: 0 });
  const by = moved.call === active ? moved.by : 0;
  const move = useCallback((metres: number) => setMoved({ call: active, by: metres }), [active]);
  const played = usePlayed(docket, options, active, by);
  const [saving, setSaving] = useState(false);
  const rescue = useRescue(docket, options, active, by, saving);
  // A change that cannot be worked out leaves the last drawing standing, to be mended from.
  const shown = useLast(plan.data);
  // The slab goes with the hand on a slider; what is read of the plan follows a moment later.
  const read = useDeferredValue(shown) ?? shown;
  const call = read?.calls[active - 1];
  const film = useFilm(docket, options, changed, active, useFollowed(scrub));
  if (plan.isPending && !shown) return <Waiting what={t("cues.working out the cues")} />;
  if (!(shown && read))
    return (
      <>
        <Failure error={plan.error} retry={() => void plan.refetch()} />
        {docket.since.length > 0 && (
          <Box sx={{ mt: 1.5 }}>
            {t("cues.settings that do not fit")}{" "}
            <Button sx={{ minHeight: 44 }} onClick={cue.clear}>
              {t("cues.begin without settings")}
            </Button>
          </Box>
        )}
      </>
    );
  const vehicle = docket.vehicle.body;
  const method = draft.body;
  const { Aids, hill } = PLACES[ground.goal.kind];
  return (
    <Columns least={660} upright={700}>
      <Box
        sx={{
          display: "grid",
          gridTemplateRows: "minmax(200px, 1fr) auto auto",
          gap: 1,
          minHeight: 0,
        }}
      >
        <PlanSlab
          plan={shown}
          vehicle={vehicle}
          ground={ground}
          scrub={scrub}
          played={played}
          rescue={by === 0 || rescue?.cure === "drive on" ? null : (rescue ?? null)}
          active={active}
        />
        <Sliders
          plan={shown}
          method={method}
          options={cue.options}
          dips={vehicle.mirrors.some((mirror) => mirror.set_for === "flank")}
          change={(part) => {
            ahead({ ...cue.options, ...part });
            cue.change(part);
          }}
        />
        <Box
          sx={{
            position: "relative",
            background: ink.sheet,
            borderRadius: 2,
            border: `1px solid ${ink.line}`,
          }}
        >
          <Ribbon
            plan={read}
            lockTurns={vehicle.steering.lock_turns}
            toward={ground.side === "left" ? 1 : -1}
            scrub={scrub}
            active={active}
            onCall={setActive}
          />
          <SaveDrawing name={t("cues.ribbon")} ground={ink.sheet} at={{ right: 2, top: 2 }} />
        </Box>
      </Box>
      <Box sx={{ display: "grid", gridTemplateRows: "minmax(0, 1fr) auto", gap: 1, minHeight: 0 }}>
        <Box sx={{ display: "flex", flexDirection: "column", gap: 1.25, overflowY: "auto" }}>
          <WhoseSeat docket={docket} />
          <RestsOn docket={docket} plan={read} />
          {plan.error && !editing && <Failure error={plan.error} />}
          {editing && (
            <MethodEditor
              revision={docket.method}
              draft={draft}
              trouble={troubleOf(plan.error, shown)}
              close={() => setEditing(false)}
            />
          )}
          {!shown.feasible && !editing && (
            <WhyNot docket={docket} plan={shown} options={options} change={cue.change} />
          )}
          {shown.feasible && !editing && <Unseen plan={read} onCall={setActive} />}
          <CueCard
            active={active}
            plan={read}
            method={method}
            spot={spotAt(sights, active)}
            sights={sights}
            then={changesOver(sights, active)}
            followed={sights?.followed_m ?? 0}
            film={film}
            scrub={scrub}
            picked={cue.options.picks?.[active] ?? null}
            pick={pick}
            play={move}
            teach={shapes ? teach : null}
          />
          <CallList
            plan={read}
            method={method}
            active={active}
            onCall={setActive}
            sights={sights}
          />
          {call && shown.feasible && !draft.changed && (
            <PlayCall
              call={call}
              by={by}
              played={played}
              ground={ground}
              method={method}
              change={move}
              rescue={rescue}
              saving={saving}
              save={setSaving}
            />
          )}
          {shapes && !editing && (
            <Button variant="outlined" sx={{ flexShrink: 0 }} onClick={() => setEditing(true)}>
              {t("cues.change this method")}
            </Button>
          )}
          <Clearances plan={read} />
          {shown.feasible && !draft.changed && place?.left_again && (
            <WayOut docket={docket} options={options} settled={settled} />
          )}
          {!draft.changed && place?.tightens && <LeastRoom docket={docket} vehicle={vehicle} />}
          {hill && <OnAHill />}
          {Aids && <Aids docket={docket} />}
        </Box>
        <SheetBar docket={docket} plan={shown} cue={cue} draft={changed} />
      </Box>
      <PrintedCues
        docket={docket}
        plan={shown}
        method={method}
        trouble={troubleOf(plan.error, shown)?.text ?? ""}
        sights={sights}
        unsaved={draft.changed}
      />
    </Columns>
  );
};
