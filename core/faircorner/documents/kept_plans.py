"""Plans of older formats as sheets keep them: every figure as it was, the words in today's form."""

from dataclasses import replace
from math import radians
from typing import Any, TypeAlias

import numpy as np

from faircorner.cues import Scene, Step
from faircorner.cues.cue_kinds import edge_said, thing_said
from faircorner.cues.events import Came, Moment
from faircorner.cues.looks import look_said
from faircorner.cues.prepare import prepare
from faircorner.cues.stops import first_stop, last_stop
from faircorner.documents.plans import wheels_document
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sides import Side, turned_in
from faircorner.sight import TOLD, Sharpness

__all__ = ["plan_upgraded"]

Body: TypeAlias = dict[str, Any]
_BREAKS = ("early_breaks", "late_breaks")


def plan_upgraded(plan: Body, scene: Scene) -> Body:
    """A plan as it was kept, told in today's words from its own figures.

    scene : of the documents that it was made from
    What its format did not tell yet, and cannot be told from its figures, stays out.
    """
    plan = _with_stops(_with_sentences(_with_clauses(plan), scene), scene)
    # A new plan may miss its settings by other amounts than this one did.
    plan = {"missed": [], **plan}
    if "legs" not in plan:
        return plan
    turns = [leg["turns"] for leg in plan["legs"]]
    return {**plan, "wheels": wheels_document(turns, scene.vehicle)}


def _with_clauses(plan: Body) -> Body:
    """Clauses that were text are told as they were written then."""

    def said(clause: Any) -> Any:
        if not isinstance(clause, str):
            return clause
        return (Said("as written", words=clause) if clause else Said()).document()

    calls = [
        {**call, **{name: said(call[name]) for name in _BREAKS if name in call}}
        for call in plan.get("calls", [])
    ]
    reason = plan.get("reason")
    if isinstance(reason, dict) and "text" in reason:
        reason = {"said": said(plan.get("why_not") or ""), "step": reason.get("step")}
    rest = {} if reason is None else {"reason": reason}
    return {**plan, "calls": calls, **rest}


def _with_sentences(plan: Body, scene: Scene) -> Body:
    """What is waited for, what is seen, what leaning does, and what a look is for."""
    looks = [
        {**look, "said": look_said(look["why"], look["metres"]).document()}
        for look in plan.get("looks", [])
    ]
    calls = plan.get("calls", [])
    following = [*calls[1:], *calls[-1:]]
    told = [_told(call, then, scene) for call, then in zip(calls, following, strict=True)]
    plan = {**plan, "calls": told, **({"looks": looks} if looks else {})}
    # Until the tail's swing had a name of its own, every swing was the nose's.
    out = next((look["said"] for look in looks if look["why"].endswith("swings out")), None)
    drawing = plan.get("drawing") or {}
    if out is None or not drawing.get("swing"):
        return plan
    return {**plan, "drawing": {**drawing, "swing": {**drawing["swing"], "said": out}}}


def _told(call: Body, then: Body, scene: Scene) -> Body:
    cues = call.get("cues") or []
    until = call.get("until")
    if until is None:
        return call
    seen = {"seen": _seen(cues[0], until, scene.side).document()} if cues else {}
    hidden = bool(cues) and cues[0]["through"] is None
    lean = Said("lean until it shows") if hidden else Said()
    leant = [{**cue, "leant": _leant(cue).document()} for cue in cues]
    said = _waited_for(call, then, scene).document()
    return {**call, **seen, "said": said, "instead": lean.document(), "cues": leant}


def _waited_for(call: Body, then: Body, scene: Scene) -> Said:
    step: Step = scene.method.steps[call["leg"] - 1]
    metres = call["until"]["metres"]
    came = Came(
        metres=float("nan") if metres is None else metres,
        heading=radians(call["angle_deg"]),
        then=radians(then["angle_deg"]),
        rolled=call["s_m"],
        direction=step.direction,
    )
    return step.until.said(came)


def _seen(cue: Body, until: Body, side: Side) -> Said:
    told, feature, offset = TOLD[cue["along"]], cue["feature"], cue["offset_m"]
    if told.flips and side == "right" and offset is not None:
        offset = -offset
    place = Said() if feature is None else told.place(feature, offset)
    # Directly edges alone were told by their height; in a mirror what has none is one.
    if told is TOLD["z"] or (told.of_glass and not cue["target_z_m"]):
        return edge_said(cue["what"], cue["through"], place)
    mark = until.get("own") if until.get("thing") else None
    return thing_said(cue["what"], cue["through"], place, mark or "")


def _leant(cue: Body) -> Said:
    image, late = (
        float("nan") if cue[name] is None else cue[name] for name in ("lean_image_m", "lean_late_m")
    )
    return Sharpness(scatter=0.0, lean=cue["lean_m"], image=image, late=late).leant


def _with_stops(plan: Body, scene: Scene) -> Body:
    if not {"start", "final", "set", "path"} <= plan.keys():
        return plan
    begun, ended = _standing(plan["start"], scene), _standing(plan["final"], scene)
    end = plan["path"][-1]
    moment = Moment(
        vehicle=ended.vehicle, ground=ended.ground, pose=_pose(ended),
        turns=np.asarray(end["turns"] if scene.side == "left" else -end["turns"]),
    )  # fmt: skip
    begins = first_stop(begun, _pose(begun), plan["set"]["gap_m"])
    ends = last_stop(ended, moment, end["s_m"])
    return {**plan, "begins": begins.document(), "ends": ends.document()}


def _standing(place: Body, scene: Scene) -> Scene:
    """The vehicle at a place of the plan, as the sums see it."""
    pose = np.array([place["x_m"], place["y_m"], radians(place["heading_deg"])])
    turned = turned_in(scene.side, replace(scene, standing=pose))
    return prepare(turned)[0]


def _pose(scene: Scene) -> Floats:
    return np.zeros(3) if scene.standing is None else scene.standing
