"""A straight edge that runs parallel to the own flank, seen together with it in a mirror."""

from collections.abc import Iterator
from functools import cache, lru_cache

import numpy as np

from faircorner.cues.cue_kinds.base import AGAIN, Cue, Found, Seeing
from faircorner.cues.cue_kinds.mirror import lookers
from faircorner.ground import Kerbline
from faircorner.plane import Floats, to_body, to_site, wrap
from faircorner.said import Said
from faircorner.sight import CRAWL, LEAN, OUT, REACTION, Looker, Sharpness, Sighting

__all__ = ["FLANK", "PARALLEL", "parallels"]

# What it runs parallel to; no step can wait for that by name, for it waits to be parallel itself.
FLANK = "own flank"
# How far two lines in one glass run apart or together before the eye tells it, rad; assumed.
PARALLEL = np.radians(1.0)
# What runs aslant by more is not called parallel, rad; while it comes it is seen from farther.
_NEARLY, _COMING = np.radians(1.5), np.radians(8.0)
# Where behind the mirror the edge is looked at, m; and no farther off the flank.
_BEHIND, _BESIDE = np.linspace(1.0, 8.0, 15), 3.0


@lru_cache(maxsize=AGAIN)
def parallels(seeing: Seeing) -> list[Found]:
    """Every straight edge beside the vehicle that has just come parallel to it, in each mirror."""
    turned = _turned_per_metre(seeing)
    if turned < 1e-3:
        return []
    scatter = float(np.hypot(PARALLEL / turned, REACTION * CRAWL))
    return [
        found
        for edge in seeing.ground.kerblines
        if edge.radius is None and _aslant(seeing.pose, edge) < _NEARLY
        for looker in lookers(seeing.vehicle, seeing.seat)
        for found in _in_one(seeing, looker, edge, scatter)
    ]


def _turned_per_metre(seeing: Seeing) -> float:
    return abs(float(wrap(seeing.onward(0.1)[2] - seeing.onward(-0.1)[2]))) / 0.2


def _aslant(pose: Floats, edge: Kerbline) -> float:
    """The angle between the vehicle and an edge, whichever way that runs, rad."""
    off = float(wrap(pose[2] - edge.frame[2]))
    return min(abs(off), np.pi - abs(off))


def _in_one(seeing: Seeing, looker: Looker, edge: Kerbline, scatter: float) -> Iterator[Found]:
    line = _beside(seeing, looker, edge)
    if line is None or not looker.shows(seeing.pose, line):
        return
    glass = looker.on_glass(np.column_stack((to_body(seeing.pose, line[:, :2]), line[:, 2])))
    at = int(np.flatnonzero(~np.isnan(glass[:, 0]))[0])
    mirror, eye = looker.mirror, looker.eye
    hit = mirror.centre + glass[at, 0] * mirror.across + glass[at, 1] * mirror.up
    x, y, z = (float(v) for v in hit)
    sighting = Sighting(
        eye=eye, through=mirror.name, x=x, y=y, z=z,
        bearing=float(np.arctan2(y - eye[1], x - eye[0])),
        told=OUT, feature=FLANK, offset=0.0,
    )  # fmt: skip
    cue = Cue(
        what=edge.name,
        sighting=sighting,
        sharpness=Sharpness(scatter=scatter, lean=LEAN),
        target=line[at, :2],
        height=0.0,
        runs=float(edge.frame[2]),
        said=Said("edge runs parallel", through=mirror.name, what=edge.name),
    )

    @cache
    def shown(by: float) -> bool:
        pose = seeing.onward(by)
        return _aslant(pose, edge) < _COMING and looker.shows(pose, line)

    # A lean moves edge and flank in the glass alike.
    yield Found(cue=cue, moved=None, shown=shown)


def _beside(seeing: Seeing, looker: Looker, edge: Kerbline) -> Floats | None:
    """Places of the edge behind a mirror, (n, 3) m on the site; None for one not on its side."""
    x, y, heading = edge.frame
    way, pose = np.array([np.cos(heading), np.sin(heading)]), seeing.pose
    if way @ [np.cos(pose[2]), np.sin(pose[2])] < 0:
        way = -way
    mirror = to_site(pose, looker.mirror.centre[None, :2])[0]
    foot = np.array([x, y]) + ((mirror - (x, y)) @ way) * way
    off = float(to_body(pose, foot[None])[0, 1])
    if off * looker.mirror.centre[1] < 0 or abs(off) > seeing.vehicle.width / 2 + _BESIDE:
        return None
    places = foot - _BEHIND[:, None] * way
    return np.column_stack((places, np.zeros(len(places))))
