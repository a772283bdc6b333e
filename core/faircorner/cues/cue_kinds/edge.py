"""An edge on the ground that runs through the picture at some height past a mark."""

from collections.abc import Iterator
from functools import cache, lru_cache
from math import inf

import numpy as np

from faircorner.cues.cue_kinds.base import (
    AGAIN,
    BLUNT,
    USELESS,
    Cue,
    Found,
    Seeing,
    covered,
    hidden,
    uncovered,
)
from faircorner.cues.events import TYRES
from faircorner.cues.places import TYRES_ASSUMED, tyres_of
from faircorner.ground import Kerbline, Obstacle
from faircorner.plane import Floats, to_body
from faircorner.said import Said
from faircorner.sight import BONNET, SCREEN, EdgeSight, edge_sights

__all__ = ["any_edges", "edge_said", "edges_seen", "over_the_bonnet"]

# How square to the own way a parked vehicle's end must be to have a line of tyres at all.
_SQUARE = 0.25
# What lies across the way farther ahead is not stopped by, m.
_AHEAD = 15.0


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
        found
        for line in seeing.ground.kerblines
        if seeing.looks_for(line.name)
        for found in _past_marks(seeing, line, most=BLUNT)
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


@lru_cache(maxsize=AGAIN)
def over_the_bonnet(seeing: Seeing) -> list[Found]:
    """What lies across the way ahead, past the own bonnet's edge: where the tyres of a parked
    vehicle stand on the road, and lines that are painted there.
    """
    found: list[Found] = []
    for parked in seeing.ground.obstacles:
        if parked.kind == "vehicle" and seeing.looks_for(parked.name):
            line = _tyres_of(seeing, parked)
            if line is None:
                continue
            for sight in _past_the_bonnet(seeing, line):
                said = Said("tyres over", through=sight.sighting.through or "", what=parked.name,
                            place=sight.sighting.place)  # fmt: skip
                found.append(_lying(seeing, parked.name, line, sight, said, under=parked))
    for name, painted in seeing.ground.goal.aligned():
        if seeing.looks_for(name):
            for sight in _past_the_bonnet(seeing, painted):
                said = edge_said(name, sight.sighting.through, sight.sighting.place)
                found.append(_lying(seeing, name, painted, sight, said))
    return found


def _past_the_bonnet(seeing: Seeing, line: Floats) -> Iterator[EdgeSight]:
    """A line's sights, places (n, 2) m on the site, where it crosses straight ahead of the eye."""
    a, b = to_body(seeing.pose, line[[0, -1]]) - [0.0, seeing.seat.eye[1]]
    if a[1] * b[1] >= 0:
        return
    ahead = a[0] - a[1] * (b[0] - a[0]) / (b[1] - a[1]) - seeing.vehicle.nose
    if not 0 < ahead < _AHEAD:
        return
    ends = line[[0, -1]]
    for sight in edge_sights(seeing.vehicle, seeing.seat, seeing.onward, ends, most=USELESS):
        if sight.sighting.feature in (BONNET, SCREEN) and sight.sighting.through:
            yield sight


def _tyres_of(seeing: Seeing, parked: Obstacle) -> Floats | None:
    """The line between the feet of its nearer tyres, (2, 2) m on the site; None for what is not
    ahead, or seen on a corner.
    """
    line = tyres_of(parked, seeing.pose)
    (ax, ay), (bx, by) = to_body(seeing.pose, line)
    nearest = to_body(seeing.pose, parked.polygon)[:, 0].min()
    if abs(ax - bx) >= _SQUARE * abs(ay - by) or nearest < seeing.vehicle.nose:
        return None
    return line


def _lying(
    seeing: Seeing, what: str, line: Floats, sight: EdgeSight, said: Said,
    *, under: Obstacle | None = None,
) -> Found:  # fmt: skip
    """under : the thing that it is seen under, and whose tyres' place nobody measured"""
    sighting = sight.sighting
    cue = Cue(
        what=what,
        sighting=sighting,
        sharpness=sight.sharpness,
        target=sight.ground,
        height=0.0,
        runs=float(np.arctan2(*(line[-1] - line[0])[::-1])),
        said=said,
        assumed=() if under is None else (TYRES_ASSUMED,),
        kind="ahead" if under is None else TYRES,
    )

    @cache
    def shown(by: float) -> bool:
        place = sight.shown(by)
        return place is not None and not covered(
            seeing, sighting.eye, by, np.append(place, 0.0), but=under
        )

    return Found(cue=cue, moved=sight.moved, shown=shown)


def edge_said(what: str, through: str | None, place: Said, by: str = "") -> Said:
    """What the driver sees of it; through : None where the body, or what `by` names, hides it."""
    if through is None:
        return hidden(place, by)
    return Said("edge runs", through=through, what=what, place=place)
