"""All panes and mirrors in which a place shows to a driver."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal, TypeAlias

import numpy as np
from shapely import LineString, Point, Polygon

from faircorner.plane import Floats
from faircorner.sight.eye import Seat
from faircorner.sight.glass import beyond_glass, pane_hits
from faircorner.sight.reflect import reflections
from faircorner.vehicle import Vehicle, blocks_of, stopped

__all__ = ["Shown", "shown"]

Through: TypeAlias = Literal["pane", "mirror"]
# A ray that runs this little inside the flank only grazes it, m.
_GRAZES = 0.005


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Shown:
    """A place in one pane or mirror.

    hit : (3,), m in the vehicle's frame, where the ray crosses the pane or meets the mirror
    turned : whether the driver has turned to look back
    """

    through: str
    kind: Through
    hit: Floats
    turned: bool


def shown(vehicle: Vehicle, seat: Seat, place: Floats) -> list[Shown]:
    """Where a place (3,), m in the vehicle's frame, shows: first panes, then mirrors.

    Panes with the eye that is turned to it, mirrors with the eye that faces forward. Where nobody
    knows the body's outline from the side it is as wide as it is anywhere, all the way up: what of
    it stands low hides more than it does. A trailer stands in line and hides nothing.
    """
    eye = seat.eye_toward(place)
    turned = eye is not seat.eye
    panes = [
        Shown(through=pane.name, kind="pane", hit=hit, turned=turned)
        for pane in vehicle.glass
        for hit in pane_hits(pane, eye, place[None])
        if not np.isnan(hit[0]) and not beyond_glass(vehicle, eye, place[None])[0]
    ]
    return [*panes, *_in_mirrors(vehicle, seat.eye, place)]


def _in_mirrors(vehicle: Vehicle, eye: Floats, place: Floats) -> Iterator[Shown]:
    body = Polygon(vehicle.outline[0])
    for mirror in vehicle.mirrors:
        hit = reflections(mirror, eye, place[None])[0]
        if np.isnan(hit[0]):
            continue
        if _free(vehicle, body, eye, hit) and _free(vehicle, body, hit, place):
            yield Shown(through=mirror.name, kind="mirror", hit=hit, turned=False)


def _free(vehicle: Vehicle, body: Polygon, begin: Floats, end: Floats) -> bool:
    """Whether a ray passes the vehicle's own body: inside it, through a pane, or beside it.

    Where no pane was measured nobody can say what the body hides from within.
    """
    within = [body.contains(Point(one[:2])) for one in (begin, end)]
    if all(within):
        return True
    if any(within):
        if not vehicle.glass:
            return True
        inner, outer = (begin, end) if within[0] else (end, begin)
        hits = [pane_hits(pane, inner, outer[None])[0, 0] for pane in vehicle.glass]
        beyond = beyond_glass(vehicle, inner, outer[None])[0]
        return bool(not np.isnan(hits).all() and not beyond)
    if blocks_of(vehicle):
        return not stopped(blocks_of(vehicle), begin[None], end[None])[0]
    return not LineString([begin[:2], end[:2]]).intersects(body.buffer(-_GRAZES))
