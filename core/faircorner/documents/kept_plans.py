"""Plans of older formats as sheets keep them: every figure as it was, the words in today's form."""

from typing import Any, TypeAlias

from faircorner.cues.cue_kinds import edge_said, thing_said
from faircorner.cues.looks import look_said
from faircorner.said import Said
from faircorner.sight import TOLD, Sharpness

__all__ = ["plan_upgraded"]

Body: TypeAlias = dict[str, Any]
_BREAKS = ("early_breaks", "late_breaks")


def plan_upgraded(plan: Body) -> Body:
    """A plan as it was kept, its words in today's form and every figure as it was.

    What its format did not tell yet stays out.
    """
    return _with_sentences(_with_clauses(plan))


def _with_clauses(plan: Body) -> Body:
    """A plan that was kept when clauses were text: each as it was written then."""

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


def _with_sentences(plan: Body) -> Body:
    """A plan that was kept when the screen made up what is seen: told from its own figures."""
    looks = [
        {"said": look_said(look["why"], look["metres"]).document(), **look}
        for look in plan.get("looks", [])
    ]
    told = {"looks": looks} if looks else {}
    return {**plan, **told, "calls": [_told(call) for call in plan.get("calls", [])]}


def _told(call: Body) -> Body:
    cues = call.get("cues") or []
    if not cues or "seen" in call:
        return call
    leant = [{"leant": _leant(cue).document(), **cue} for cue in cues]
    return {**call, "seen": _seen(cues[0], call.get("until") or {}).document(), "cues": leant}


def _seen(cue: Body, until: Body) -> Said:
    told, feature, offset = TOLD[cue["along"]], cue["feature"], cue["offset_m"]
    place = Said() if feature is None else told.place(feature, offset)
    # Edges alone were told by their height.
    if told is TOLD["z"]:
        return edge_said(cue["what"], cue["through"], place)
    mark = until.get("own") if until.get("thing") else None
    return thing_said(cue["what"], cue["through"], place, passing=mark or "")


def _leant(cue: Body) -> Said:
    image, late = (
        float("nan") if cue[name] is None else cue[name] for name in ("lean_image_m", "lean_late_m")
    )
    return Sharpness(scatter=0.0, lean=cue["lean_m"], image=image, late=late).leant
