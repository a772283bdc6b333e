"""A straight edge that runs parallel to a part of the own vehicle that is seen with it.

To the own flank in a mirror, to the sill of a window beside the driver, to the dashboard in the
windscreen or to the lower edge of the rear window: what is parallel in space and seen over the
edge of a pane that is parallel to it, too, runs parallel in the picture.
"""

from collections.abc import Iterator
from functools import cache, lru_cache

import numpy as np

from faircorner.cues.cue_kinds.base import AGAIN, Cue, Found, Seeing, covered
from faircorner.cues.cue_kinds.mirror import lookers
from faircorner.cues.cue_kinds.straight import StraightEdge, straight_edges
from faircorner.cues.places import DASHBOARD, FLANK
from faircorner.plane import Floats, to_body, to_site, wrap
from faircorner.said import Said
from faircorner.sight import (
    CRAWL,
    HIGH,
    LEAN,
    OUT,
    REACTION,
    REAR_EDGE,
    SILL,
    Looker,
    Sharpness,
    Sighting,
    beyond_glass,
    pane_hits,
)
from faircorner.vehicle import Opening

__all__ = ["PARALLEL", "parallels", "turned_per_metre"]

# How far two lines in one glass run apart or together before the eye tells it, rad; assumed.
PARALLEL = np.radians(1.0)
# What runs aslant by more is not called parallel, rad; while it comes it is seen from farther.
_NEARLY, _COMING = np.radians(1.5), np.radians(8.0)
# Where behind the mirror the edge is looked at, m; and no farther off the flank.
_BEHIND, _BESIDE = np.linspace(1.0, 8.0, 15), 3.0
# Where along an edge it is looked at through a pane, m either way; how many of these places must
# show for its direction to be seen; and no farther off than this, m.
_ALONG, _LEAST, _FARTHEST = np.linspace(-3.0, 3.0, 25), 5, 20.0


@lru_cache(maxsize=AGAIN)
def parallels(seeing: Seeing) -> list[Found]:
    """Every straight edge beside the vehicle that has just come parallel to it, in each mirror."""
    turned = turned_per_metre(seeing)
    if turned < 1e-3:
        return []
    scatter = float(np.hypot(PARALLEL / turned, REACTION * CRAWL))
    found: list[Found] = []
    for edge in straight_edges(seeing.ground):
        if abs(_turned(seeing.pose, edge)) < _NEARLY:
            for looker in lookers(seeing.vehicle, seeing.seat):
                found += _in_one(seeing, looker, edge, scatter)
        for pane in seeing.vehicle.glass:
            found += _in_pane(seeing, pane, edge, scatter)
    return found


def turned_per_metre(seeing: Seeing) -> float:
    return abs(float(wrap(seeing.onward(0.1)[2] - seeing.onward(-0.1)[2]))) / 0.2


def _turned(pose: Floats, edge: StraightEdge, *, across: bool = False) -> float:
    """How far the vehicle, or what lies across it, is turned from an edge's line, rad."""
    off = pose[2] - edge.frame[2] + (np.pi / 2 if across else 0.0)
    return float(wrap(2 * off)) / 2


def _in_one(seeing: Seeing, looker: Looker, edge: StraightEdge, scatter: float) -> Iterator[Found]:
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

    def aslant(by: float) -> float:
        return _turned(seeing.onward(by), edge)

    @cache
    def shown(by: float) -> bool:
        return abs(aslant(by)) < _COMING and looker.shows(seeing.onward(by), line)

    # A lean moves edge and flank in the glass alike.
    yield Found(cue=cue, moved=None, shown=shown, aslant=aslant)


def _beside(seeing: Seeing, looker: Looker, edge: StraightEdge) -> Floats | None:
    """Places of the edge behind a mirror, (n, 3) m on the site; None for one not on its side, or
    not long enough there.
    """
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
    places = places[edge.within(places)]
    return np.column_stack((places, np.zeros(len(places)))) if len(places) >= _LEAST else None


def _in_pane(seeing: Seeing, pane: Opening, edge: StraightEdge, scatter: float) -> Iterator[Found]:
    """Beside the driver past the sill; across, ahead or behind, past what is below the glass."""
    across = pane.seen != (0, 2)
    if abs(_turned(seeing.pose, edge, across=across)) >= _NEARLY:
        return
    seen = _seen_through(seeing, pane, edge, 0.0)
    if seen is None:
        return
    eye, place, hit = seen
    ahead = bool(hit[0] > seeing.seat.eye[0])
    part = SILL if not across else DASHBOARD if ahead else REAR_EDGE
    sighting = Sighting(
        eye=eye, through=pane.name, x=float(hit[0]), y=float(hit[1]), z=float(hit[2]),
        bearing=float(np.arctan2(hit[1] - eye[1], hit[0] - eye[0])),
        told=HIGH, feature=part, offset=0.0,
    )  # fmt: skip
    cue = Cue(
        what=edge.name,
        sighting=sighting,
        sharpness=Sharpness(scatter=scatter, lean=LEAN),
        target=place,
        height=0.0,
        runs=float(edge.frame[2]),
        said=Said("edge runs parallel to", through=pane.name, what=edge.name, part=part),
    )

    def aslant(by: float) -> float:
        return _turned(seeing.onward(by), edge, across=across)

    @cache
    def shown(by: float) -> bool:
        coming = abs(aslant(by)) < _COMING
        return coming and _seen_through(seeing, pane, edge, by) is not None

    # A lean moves the edge in the glass, and does not turn it.
    yield Found(cue=cue, moved=None, shown=shown, aslant=aslant)


def _seen_through(
    seeing: Seeing, pane: Opening, edge: StraightEdge, by: float
) -> tuple[Floats, Floats, Floats] | None:
    """The eye, the middle place of what shows of an edge, (2,) m on the site, and where on the
    pane, (3,); None where not enough of it shows to see how it runs.
    """
    pose = seeing.onward(by)
    x, y, heading = edge.frame
    way = np.array([np.cos(heading), np.sin(heading)])
    begin = to_site(pose, np.array([[float(pane.corners[:, 0].mean()), 0.0]]))[0]
    foot = np.array([x, y]) + ((begin - (x, y)) @ way) * way
    places = foot + _ALONG[:, None] * way
    placed = np.column_stack((to_body(pose, places), np.zeros(len(places))))
    middle = placed[len(placed) // 2]
    eye = seeing.seat.eye_toward(middle)
    if np.hypot(*(middle - eye)[:2]) > _FARTHEST:
        return None
    hits = pane_hits(pane, eye, placed)
    there = ~np.isnan(hits[:, 0]) & ~beyond_glass(seeing.vehicle, eye, placed)
    there &= edge.within(places)
    if there.sum() < _LEAST:
        return None
    at = np.flatnonzero(there)[there.sum() // 2]
    if covered(seeing, eye, by, np.append(places[at], 0.0)) is not None:
        return None
    return eye, places[at], hits[at]
