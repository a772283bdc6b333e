"""What is seen at every stop of a plan, as a document: cues to choose from, and pictures."""

from collections.abc import Callable
from itertools import zip_longest
from typing import Any

from faircorner.cues import Candidate, Cue, Film, Sights, Spot
from faircorner.cues.candidates import FOLLOWED
from faircorner.cues.pictured import CueMarks, Pictured
from faircorner.documents.figures import figure, pose_document
from faircorner.documents.pictures import (
    flat,
    glass_document,
    on_glass,
    parts_document,
    view_document,
)
from faircorner.picture import Glass
from faircorner.plane import Floats

__all__ = ["film_document", "spots_document"]


def spots_document(seen: Sights) -> dict[str, Any]:
    """A fair-corner/sights@1 document."""
    return {
        "format": "fair-corner/sights@1",
        "followed_m": FOLLOWED,
        "spots": [
            _spot(one, then) for one, then in zip_longest(seen.spots, seen.spots[1:])
        ],
        "held": [
            {"step": one.step, "begin_m": figure(one.begin), "end_m": figure(one.end),
             "off_m": figure(one.off), "said": [said.document() for said in one.said],
             **pose_document(one.pose), "through": one.cue.sighting.through,
             "picture": _picture(one.picture)}
            for one in seen.held
        ],
    }  # fmt: skip


def _spot(spot: Spot, then: Spot | None) -> dict[str, Any]:
    """then : the next one, if any"""
    shown = spot.cue is not None and spot.cue.shows
    return {
        "call": spot.call,
        **pose_document(spot.pose),
        "seen": None if spot.cue is None else spot.cue.said.document(),
        "felt": None if spot.felt is None else spot.felt.said.document(),
        "chosen": spot.cue.key if spot.cue is not None and shown else None,
        "candidates": [_candidate(one) for one in spot.candidates],
        "others": [_pointed(one) for one in spot.others],
        "picture": None if spot.picture is None else _picture(spot.picture),
        "changes_over": then is not None and spot.changes_over(then),
    }


def _pointed(cue: Cue) -> dict[str, Any]:
    """A cue by its parts, as it is pointed out: in what, what, and past which mark."""
    return {
        "key": cue.key,
        "through": cue.sighting.through,
        "mirror": cue.sighting.told.of_glass,
        "what": cue.what,
        "mark": cue.sighting.feature,
        "left": bool(cue.sighting.y > 0),
        "part": cue.part or None,
        "scatter_m": figure(cue.sharpness.scatter),
    }


def _candidate(one: Candidate) -> dict[str, Any]:
    cue = one.cue
    return {
        **_pointed(cue),
        "said": cue.said.document(),
        "before_m": figure(one.before),
        "after_m": figure(one.after),
        "at_mark_m": figure(one.at_mark),
        "marked": cue.marked,
        "sharp": cue.sharp,
        "rests": one.rests.document(),
        "notes": [said.document() for said in one.notes],
    }


def _picture(picture: Pictured) -> dict[str, Any]:
    return {
        **view_document(picture.view),
        "cue": None if picture.marks is None else _marks(picture.marks, lambda points: points),
        "glass": None if picture.glass is None else _glass(picture.glass, picture.in_glass),
    }


def _glass(glass: Glass, marks: CueMarks | None) -> dict[str, Any]:
    cue = None if marks is None else _marks(marks, on_glass(glass))
    return {**glass_document(glass), "cue": cue}


def _marks(marks: CueMarks, placed: Callable[[Floats], Floats]) -> dict[str, Any]:
    return {"line": flat(placed(marks.line)), "spot": flat(placed(marks.spot[None]))}


def film_document(shown: Film) -> list[dict[str, Any]]:
    """What of the picture moves along the way, from the first place to the last."""
    return [
        {
            "s_m": figure(frame.s),
            "outside": parts_document(frame.outside),
            "hung": parts_document(frame.hung),
            "glass": None if frame.glass is None else glass_document(frame.glass)["parts"],
        }
        for frame in shown.frames
    ]
