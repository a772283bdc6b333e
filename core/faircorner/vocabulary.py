"""What a method may name: for whoever writes one, on a screen or elsewhere."""

from dataclasses import replace
from typing import Any, get_args

from faircorner.cues.events import EVENTS, PARTS, STOPPING, EdgeName, Usual
from faircorner.cues.fitted import USUAL_ANGLE, USUAL_METRES, USUAL_SHARE
from faircorner.cues.places import OWN_EDGES, OWN_POINTS
from faircorner.documents.standard import JUDGED_LOOKS
from faircorner.ground import KINDS, SIGHTED_KINDS
from faircorner.ground.things import SIZES
from faircorner.sight import BONNET, REAR_TYRE, RIM, SCREEN
from faircorner.standards import AT_END, LOOKS, MANOEUVRES, MEASURES, OBSERVED, PASSED, PHASES, WHEN

__all__ = ["vocabulary"]

# Of the panes that nearly every vehicle has across.
_MIDDLES = ("middle of the windscreen", "middle of the rear window",
            "middle of the windscreen's lower edge", "middle of the rear window's lower edge",
            f"middle of the {BONNET}")  # fmt: skip


def vocabulary() -> dict[str, Any]:
    """Every list of names, as documents have them.

    manoeuvres : by name the kind of place where each ends, and how each event begins there
    places : by kind its landmarks, what may be seen there besides what was put down and kerbs,
    whether it is left again from between others, and whether it has a size that could be less
    seen : kinds of what was put down that may be seen; mirror_marks : what in a mirror it may be
    seen to pass, besides the handles that show there; sole_marks : what it may be seen to pass
    that no vehicle has two of; own_edges : what an edge may come parallel to; parts : what of a
    thing or an edge may be seen to pass; stopping : kinds of what is felt through the tyres
    things : length, width and height, m, of what can be put down
    fitted : how a figure begins that is left to the fit
    observed : what may be observed at any moment of an attempt; at_end : what may have to be so
    then; measures : what may be limited; judged_looks : what a rule may say of looks, and when;
    passed : what a limit that was passed may mean
    """
    return {
        "manoeuvres": {
            name: {"goal": goal, "events": _events(name, goal)} for name, goal in MANOEUVRES.items()
        },
        "places": {
            name: {
                "landmarks": list(kind.landmarks),
                "things": list(kind.things),
                "lines": [name for name, _ in kind.lay("any").goal.aligned()],
                "left_again": kind.left_again,
                "tightens": kind.sizes is not None,
            }
            for name, kind in KINDS.items()
        },
        "own_points": list(OWN_POINTS),
        "edges": list(get_args(EdgeName)),
        "seen": list(SIGHTED_KINDS),
        "mirror_marks": [*RIM, REAR_TYRE],
        "sole_marks": [*OWN_EDGES, BONNET, SCREEN, *_MIDDLES],
        "own_edges": list(OWN_EDGES),
        "parts": list(PARTS),
        "stopping": list(STOPPING),
        "looks": list(LOOKS),
        "things": {kind: list(size) for kind, size in SIZES.items()},
        "fitted": {
            "metres": USUAL_METRES.model_dump(),
            "angle": USUAL_ANGLE.model_dump(),
            "share": USUAL_SHARE.model_dump(),
        },
        "observed": list(OBSERVED),
        "measures": [
            {
                "name": m.outward,
                "taped": m.taped is not None,
                "on_the_way": m.on_the_way,
                "of_looks": m.of_looks,
                "counted": m.unit == "count",
                "phase": m.phase,
            }
            for m in MEASURES.values()
        ],
        "phases": list(PHASES),
        "judged_looks": list(JUDGED_LOOKS),
        "when": list(WHEN),
        "at_end": list(AT_END),
        "passed": list(PASSED),
    }


def _events(manoeuvre: str, goal: str) -> list[dict[str, Any]]:
    kind = KINDS[goal]
    place = kind.lay("any")
    ended = replace(place, goal=place.goal.ending(manoeuvre))
    usual = Usual(
        landmark=kind.landmarks[0],
        thing=(*kind.things, "cone 1")[0],
        end="front bumper" if ended.berth.along == "ahead" else "rear bumper",
        gap_to=kind.gap_to,
        felt=next((o.name for o in place.obstacles if o.kind in STOPPING), "kerb"),
    )
    return [event.begun(usual) for event in EVENTS]
