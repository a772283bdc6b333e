"""Documents of older formats, brought to today's one step at a time.

A format that changes adds one step here: from the version before, whole, to the next. Nothing else
knows old formats, but `kept_plans.py` knows those of plans. An example of each is kept in
tests/core/kept/.
"""

from collections.abc import Callable
from typing import Any, TypeAlias

__all__ = ["upgraded"]

Body: TypeAlias = dict[str, Any]


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


def upgraded(document: Any) -> Any:
    """The same document in today's format; what is no document of ours is left as it is."""
    for _ in _STEPS:
        said = document.get("format") if isinstance(document, dict) else None
        step = _STEPS.get(said) if isinstance(said, str) else None
        if step is None:
            break
        document = step(document)
    return document
