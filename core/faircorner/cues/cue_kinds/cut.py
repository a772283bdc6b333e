"""An edge on the ground that goes out of sight under a part of the own vehicle."""

from functools import cache, lru_cache

import numpy as np

from faircorner.cues.cue_kinds.base import AGAIN, BLUNT, Cue, Found, Seeing, covered
from faircorner.cues.cue_kinds.straight import StraightEdge, straight_edges
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sight import EdgeSight, cut_sights

__all__ = ["CUT", "cuts"]

# Which of the cues of an edge past a mark it is: another tells how high it runs there.
CUT = "goes under"


@lru_cache(maxsize=AGAIN)
def cuts(seeing: Seeing) -> list[Found]:
    """Every straight edge under every part of the vehicle that hides it, where that is sharp."""
    vehicle, seat = seeing.vehicle, seeing.seat
    return [
        found
        for edge in straight_edges(seeing.ground)
        if seeing.looks_for(edge.name)
        for part, sight in cut_sights(
            vehicle, seat, seeing.onward, _line(edge), ends=edge.ends is not None, most=BLUNT
        )
        if (found := _found(seeing, edge, part, sight)) is not None
    ]


def _line(edge: StraightEdge) -> Floats:
    """Two places of it, (2, 2) m on the site: its ends, where it has some."""
    if edge.ends is not None:
        return edge.ends
    x, y, heading = edge.frame
    return np.array([(x, y), (x + np.cos(heading), y + np.sin(heading))])


def _found(seeing: Seeing, edge: StraightEdge, part: str, sight: EdgeSight) -> Found | None:
    """None where something that stands there is in the way."""
    seen = sight.sighting
    if covered(seeing, seen.eye, 0.0, np.append(sight.ground, 0.0)) is not None:
        return None
    cue = Cue(
        what=edge.name,
        sighting=seen,
        sharpness=sight.sharpness,
        target=sight.ground,
        height=0.0,
        runs=float(edge.frame[2]),
        said=Said(
            "edge goes under", through=seen.through or "", what=edge.name, part=part,
            place=seen.place,
        ),
        kind=CUT,
    )  # fmt: skip

    @cache
    def shown(by: float) -> bool:
        place = sight.shown(by)
        return place is not None and not covered(seeing, seen.eye, by, np.append(place, 0.0))

    return Found(cue=cue, moved=sight.moved, shown=shown)
