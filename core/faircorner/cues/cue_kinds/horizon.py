"""Where a straight kerb runs out of sight: its direction, and so the own heading, past a mark."""

from collections.abc import Iterator
from functools import cache, lru_cache

import numpy as np

from faircorner.cues.cue_kinds.base import AGAIN, USELESS, Cue, Found, Seeing, covered
from faircorner.cues.cue_kinds.parallel import turned_per_metre
from faircorner.cues.cue_kinds.thing import stays_in_pane
from faircorner.cues.events import HORIZON
from faircorner.cues.places import far_ends
from faircorner.ground import Kerbline
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.sight import (
    ACUITY,
    CRAWL,
    LEAN,
    REACTION,
    Sharpness,
    image_height,
    image_moved,
    pane_of,
    sight_of,
)

__all__ = ["horizons"]

# So far the way to it must be free, m.
_FREE = 30.0


@lru_cache(maxsize=AGAIN)
def horizons(seeing: Seeing) -> list[Found]:
    """Where every straight kerb ends to the eye, both ways, as the vehicle turns enough to tell."""
    turned = turned_per_metre(seeing)
    scatter = float(np.hypot(ACUITY / turned if turned else np.inf, REACTION * CRAWL))
    if scatter > USELESS:
        return []
    return [
        found
        for line in seeing.ground.kerblines
        if line.radius is None and not line.across and seeing.looks_for(line.name)
        for target in far_ends(line)
        for found in _one_way(seeing, line, target, scatter)
    ]


def _one_way(seeing: Seeing, line: Kerbline, target: Floats, scatter: float) -> Iterator[Found]:
    # Level with the eye it lies on the horizon.
    high = float(seeing.seat.eye[2])
    sighting = sight_of(seeing.vehicle, seeing.seat, seeing.pose, target, high)
    moved = image_moved(seeing.vehicle, sighting, seeing.onward, target)
    if sighting.through is None or moved is None or not _free(seeing, sighting.eye, target, 0.0):
        return
    pane, level = pane_of(seeing.vehicle, sighting), image_height(seeing.pose, sighting, target)
    cue = Cue(
        what=line.name,
        sighting=sighting,
        sharpness=Sharpness(scatter=scatter, lean=LEAN),
        target=target,
        height=high,
        said=Said("horizon stands", through=sighting.through, what=line.name, place=sighting.place),
        kind=HORIZON,
    )

    @cache
    def shown(by: float) -> bool:
        again = stays_in_pane(seeing, sighting, pane, target, level, by)
        return again and _free(seeing, sighting.eye, target, by)

    yield Found(cue=cue, moved=moved, shown=shown)


def _free(seeing: Seeing, eye: Floats, target: Floats, by: float) -> bool:
    """Whether nothing that stands there hides where the kerb leads to."""
    stood = to_site(seeing.onward(by), eye[None, :2])[0]
    off = target - stood
    place = stood + _FREE * off / np.linalg.norm(off)
    return covered(seeing, eye, by, np.append(place, eye[2])) is None
