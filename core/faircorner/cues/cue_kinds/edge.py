"""An edge on the ground that runs through the picture at some height past a mark."""

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
from faircorner.ground import Kerbline, Obstacle
from faircorner.plane import Floats, to_body, to_site
from faircorner.said import Said
from faircorner.sight import BONNET, SCREEN, EdgeSight, edge_sights

__all__ = ["any_edges", "edge_said", "edges_seen", "tyres_ahead"]

# How far in from a parked vehicle's end its tyres stand, m; assumed, and told so. And how square to
# the own way its end must be to have a line of tyres at all.
_INSIDE, _SQUARE = 0.75, 0.25


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
def tyres_ahead(seeing: Seeing) -> list[Found]:
    """Where the tyres of a parked vehicle ahead stand on the road, over the own bonnet's edge."""
    found: list[Found] = []
    for parked in seeing.ground.obstacles:
        if parked.kind != "vehicle" or not seeing.looks_for(parked.name):
            continue
        line = _tyres_of(seeing, parked)
        if line is None:
            continue
        for sight in edge_sights(seeing.vehicle, seeing.seat, seeing.onward, line, most=USELESS):
            past, through = sight.sighting.feature, sight.sighting.through
            if past in (BONNET, SCREEN) and through and _between(line, sight.ground):
                found.append(_of_tyres(seeing, parked, line, sight))
    return found


def _tyres_of(seeing: Seeing, parked: Obstacle) -> Floats | None:
    """The line between the feet of its nearer tyres, (2, 2) m on the site; None for what is not
    ahead, or seen on a corner.
    """
    corners = to_body(seeing.pose, parked.polygon)
    near = corners[:, 0].argsort(kind="stable")[:2]
    a, b = corners[near]
    level = abs(a[0] - b[0]) < _SQUARE * abs(a[1] - b[1])
    if not level or min(a[0], b[0]) < seeing.vehicle.nose or min(a[1], b[1]) > 0 > max(a[1], b[1]):
        return None
    far = corners.mean(axis=0) - (a + b) / 2
    return to_site(seeing.pose, np.array([a, b]) + _INSIDE * far / np.linalg.norm(far))


def _between(line: Floats, place: Floats) -> bool:
    along = line[1] - line[0]
    return bool(0 < (place - line[0]) @ along < along @ along)


def _of_tyres(seeing: Seeing, parked: Obstacle, line: Floats, sight: EdgeSight) -> Found:
    sighting = sight.sighting
    cue = Cue(
        what=parked.name,
        sighting=sighting,
        sharpness=sight.sharpness,
        target=sight.ground,
        height=0.0,
        runs=float(np.arctan2(*(line[1] - line[0])[::-1])),
        said=Said("tyres over", through=sighting.through or "", what=parked.name,
                  place=sighting.place),
        assumed=("tyres' place",),
    )  # fmt: skip

    @cache
    def shown(by: float) -> bool:
        place = sight.shown(by)
        return place is not None and not covered(
            seeing, sighting.eye, by, np.append(place, 0.0), but=parked
        )

    return Found(cue=cue, moved=sight.moved, shown=shown)


def edge_said(what: str, through: str | None, place: Said, by: str = "") -> Said:
    """What the driver sees of it; through : None where the body, or what `by` names, hides it."""
    if through is None:
        return hidden(place, by)
    return Said("edge runs", through=through, what=what, place=place)
