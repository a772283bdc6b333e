"""What a method may name: for whoever writes one, on a screen or elsewhere."""

from typing import Any

from faircorner.cues import MANOEUVRES
from faircorner.cues.events import EVENTS
from faircorner.cues.method import LOOKS
from faircorner.cues.places import OWN_POINTS
from faircorner.ground import KINDS
from faircorner.standards import MEASURES

__all__ = ["vocabulary"]


def vocabulary() -> dict[str, Any]:
    """Every list of names, as documents have them.

    places : by kind, its landmarks, what may be seen there besides what was put down, and what the
    wanted gap is told to; manoeuvres : the kind of place that each ends at
    """
    return {
        "manoeuvres": dict(MANOEUVRES),
        "places": {
            name: {
                "landmarks": list(kind.landmarks),
                "things": list(kind.things),
                "gap_to": kind.gap_to,
            }
            for name, kind in KINDS.items()
        },
        "own_points": list(OWN_POINTS),
        "events": [event.kind for event in EVENTS],
        "looks": list(LOOKS),
        "measures": [{"name": m.outward, "taped": m.taped is not None} for m in MEASURES.values()],
    }
