"""What is seen at every stop of a plan, as a document: cues to choose from, and pictures."""

from typing import Any

import numpy as np

from faircorner.cues import Candidate, Film, Spot
from faircorner.cues.candidates import FOLLOWED
from faircorner.cues.pictured import CueMarks, Pictured
from faircorner.documents.figures import figure, pose_document
from faircorner.picture import HEIGHT, WIDTH, Glass, Part
from faircorner.plane import Floats

__all__ = ["film_document", "spots_document"]

# How wide a mirror's glass is drawn by itself, in the picture's units.
_GLASS = 260.0


def spots_document(spots: tuple[Spot, ...]) -> dict[str, Any]:
    """A fair-corner/sights@1 document."""
    return {
        "format": "fair-corner/sights@1",
        "followed_m": FOLLOWED,
        "spots": [_spot(one) for one in spots],
    }


def _spot(spot: Spot) -> dict[str, Any]:
    shown = spot.cue is not None and spot.cue.shows
    return {
        "call": spot.call,
        **pose_document(spot.pose),
        "seen": None if spot.cue is None else spot.cue.said.document(),
        "chosen": spot.cue.key if spot.cue is not None and shown else None,
        "candidates": [_candidate(one) for one in spot.candidates],
        "picture": None if spot.picture is None else _picture(spot.picture),
    }


def _candidate(one: Candidate) -> dict[str, Any]:
    cue = one.cue
    return {
        "key": cue.key,
        "through": cue.sighting.through,
        "mirror": cue.sighting.told.of_glass,
        "said": cue.said.document(),
        "scatter_m": figure(cue.sharpness.scatter),
        "before_m": figure(one.before),
        "after_m": figure(one.after),
        "marked": cue.marked,
        "sharp": cue.sharp,
        "notes": [said.document() for said in one.notes],
    }


def _picture(picture: Pictured) -> dict[str, Any]:
    """Polygons as x, y, x, y … in the picture's units, y downward, painted in their order."""
    view = picture.view
    return {
        "size": [WIDTH, HEIGHT],
        "outside": _parts(view.outside),
        "panes": [_flat(pane) for pane in view.panes],
        "cabin": _parts(view.cabin),
        "hung": _parts(view.hung),
        "cue": None if picture.marks is None else _marks(picture.marks),
        "glass": None if picture.glass is None else _glass(picture.glass, picture.in_glass),
    }


def film_document(shown: Film) -> list[dict[str, Any]]:
    """What of the picture moves along the way, from the first place to the last."""
    return [
        {
            "s_m": figure(frame.s),
            "outside": _parts(frame.outside),
            "hung": _parts(frame.hung),
            "glass": None if frame.glass is None else _glass(frame.glass, None)["parts"],
        }
        for frame in shown.frames
    ]


def _parts(parts: tuple[Part, ...]) -> list[dict[str, Any]]:
    return [{"kind": part.kind, "name": part.name, "points": _flat(part.points)} for part in parts]


def _flat(points: Floats) -> list[float]:
    return [float(v) for v in np.round(points, 1).ravel()]


def _marks(marks: CueMarks) -> dict[str, Any]:
    return {"line": _flat(marks.line), "spot": _flat(marks.spot)}


def _glass(glass: Glass, marks: CueMarks | None) -> dict[str, Any]:
    """Its own picture: from the upper left of the glass, as wide as it is drawn."""
    low, high = glass.outline.min(axis=0), glass.outline.max(axis=0)
    scale = _GLASS / float(high[0] - low[0])

    def placed(points: Floats) -> Floats:
        return np.column_stack((points[:, 0] - low[0], high[1] - points[:, 1])) * scale

    parts = tuple(
        Part(kind=part.kind, name=part.name, points=placed(part.points)) for part in glass.parts
    )
    return {
        "name": glass.name,
        "size": [_GLASS, round(float(high[1] - low[1]) * scale, 1)],
        "outline": _flat(placed(glass.outline)),
        "parts": _parts(parts),
        "cue": None if marks is None else _marks(_placed(marks, placed)),
    }


def _placed(marks: CueMarks, placed: Any) -> CueMarks:
    return CueMarks(line=placed(marks.line), spot=placed(marks.spot[None])[0])
