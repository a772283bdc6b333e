"""An edge on the ground that runs through the picture at some height past a mark."""

from functools import cache, lru_cache
from math import inf

import numpy as np

from faircorner.cues.cue_kinds.base import (
    AGAIN,
    BLUNT,
    Cue,
    Found,
    Seeing,
    covered,
    hidden,
    uncovered,
)
from faircorner.ground import Kerbline
from faircorner.said import Said
from faircorner.sight import EdgeSight, edge_sights

__all__ = ["any_edges", "edge_said", "edges_seen"]


@lru_cache(maxsize=AGAIN)
def edges_seen(seeing: Seeing) -> list[Found]:
    """The edge that is waited for past every mark; nothing where there is none, or a curved one."""
    return [
        found
        for line in seeing.ground.kerblines
        if line.name == seeing.watched.edge
        for found in _past_marks(seeing, line)
    ]


@lru_cache(maxsize=AGAIN)
def any_edges(seeing: Seeing) -> list[Found]:
    """Any edge that is sharp past any mark, for whoever sees nothing else.

    Rolled along beside one its picture stands still, which tells nothing.
    """
    return [
        found for line in seeing.ground.kerblines for found in _past_marks(seeing, line, most=BLUNT)
    ]


def _past_marks(seeing: Seeing, line: Kerbline, *, most: float = inf) -> list[Found]:
    # A curve has no one height in the picture.
    if line.radius is not None:
        return []
    edge = line.drawn(1.0)
    sights = edge_sights(seeing.vehicle, seeing.seat, seeing.onward, edge, most=most)
    return [_found(seeing, line, sight) for sight in sights]


def _found(seeing: Seeing, line: Kerbline, sight: EdgeSight) -> Found:
    sighting, by = uncovered(seeing, sight.sighting, np.append(sight.ground, 0.0))
    cue = Cue(
        what=line.name,
        sighting=sighting,
        sharpness=sight.sharpness,
        target=sight.ground,
        height=0.0,
        runs=float(line.frame[2]),
        said=edge_said(line.name, sighting.through, sighting.place, by),
    )

    @cache
    def shown(by: float) -> bool:
        place = sight.shown(by)
        return place is not None and not covered(seeing, sighting.eye, by, np.append(place, 0.0))

    return Found(cue=cue, moved=sight.moved, shown=shown)


def edge_said(what: str, through: str | None, place: Said, by: str = "") -> Said:
    """What the driver sees of it; through : None where the body, or what `by` names, hides it."""
    if through is None:
        return hidden(place, by)
    return Said("edge runs", through=through, what=what, place=place)
