"""Documents of older formats, brought to today's one step at a time.

A format that changes adds one step here: from the version before, whole, to the next. Nothing else
knows old formats. An example of each old version is kept in tests/core/kept/.
"""

from collections.abc import Callable
from typing import Any, TypeAlias

from faircorner.said import Said

__all__ = ["upgraded", "with_clauses"]

Body: TypeAlias = dict[str, Any]
_BREAKS = ("early_breaks", "late_breaks")


def _vehicle_2(body: Body) -> Body:
    """Features say what part of the vehicle they are; until then only their names did.

    A list of mirrors that had to be empty is gone.
    """

    def told(feature: Any) -> Any:
        # What is no feature at all is left for the reader to complain about.
        named = isinstance(feature, dict) and "door mirror" in str(feature.get("name"))
        return {**feature, "role": "door mirror"} if named else feature

    features = body.get("features", [])
    kept = [told(f) for f in features] if isinstance(features, list) else features
    # One that is not empty is left for the reader to complain about.
    rest = {name: value for name, value in body.items() if (name, value) != ("mirrors", [])}
    return {**rest, "format": "fair-corner/vehicle@2", "features": kept}


_STEPS: dict[str, Callable[[Body], Body]] = {"fair-corner/vehicle@1": _vehicle_2}


def with_clauses(plan: Body) -> Body:
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


def upgraded(document: Any) -> Any:
    """The same document in today's format; what is no document of ours is left as it is."""
    for _ in _STEPS:
        said = document.get("format") if isinstance(document, dict) else None
        step = _STEPS.get(said) if isinstance(said, str) else None
        if step is None:
            break
        document = step(document)
    return document
