"""A driver's line of sight past a mark of the vehicle, straight or turned back by a mirror."""

from dataclasses import dataclass

import numpy as np

from faircorner.errors import InputError
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sight.cut import edge_middles
from faircorner.sight.edge import corner_marks, lowest_ahead
from faircorner.sight.eye import Seat
from faircorner.sight.glass import middle_marks
from faircorner.sight.in_mirror import marks_in
from faircorner.vehicle import Mirror, Vehicle

__all__ = ["SightLine", "mark_named", "mirror_named", "sight_line"]

# Which side a mirror is on, for a method that is driven on either side.
_SIDES = {"near": 1.0, "off": -1.0}


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class SightLine:
    """begin : (3,), where it leaves the eye or the mirror; way : (3,), unit vector; both m in the
    vehicle's frame
    """

    begin: Floats
    way: Floats

    @property
    def ground(self) -> Floats | None:
        """Where it meets the ground, (2,); None for one that runs level or up."""
        if self.way[2] > -1e-6:
            return None
        met: Floats = (self.begin - self.way * (self.begin[2] / self.way[2]))[:2]
        return met


def sight_line(vehicle: Vehicle, seat: Seat, mark: str, through: str) -> SightLine:
    """Past a named mark: directly, or in the mirror `through`. The working side on the left.

    mark : see `mark_named`; of a mirror what shows in it, or its rim
    Raises InputError for what is not there.
    """
    if through:
        return _reflected(mirror_named(vehicle, through), vehicle, seat, mark)
    at = mark_named(vehicle, seat, mark)
    eye = seat.eye_past(at)
    return SightLine(begin=eye, way=(at - eye) / np.linalg.norm(at - eye))


def mark_named(vehicle: Vehicle, seat: Seat, name: str) -> Floats:
    """A mark, a pane's lower corner, its middle or its lower edge's, or what is lowest straight
    ahead, (3,) m: of two of a name the working side's.

    The other one is called "off", such as "off B-pillar". InputError for what is not there.
    """
    all_marks = (
        *corner_marks(vehicle.glass), *edge_middles(vehicle, seat.eye),
        *middle_marks(vehicle.glass), *vehicle.features, *lowest_ahead(vehicle, seat.eye),
    )  # fmt: skip
    marks = sorted(all_marks, key=lambda f: f.y)
    places = {one.name: np.array([one.x, one.y, one.z]) for one in marks}
    other = name.removeprefix("off ")
    if name not in places and other in places:
        places = {one.name: np.array([one.x, one.y, one.z]) for one in reversed(marks)}
    return _named(places, name if name in places else other)


def mirror_named(vehicle: Vehicle, name: str) -> Mirror:
    """By its own name, or as near or off, such as "near door mirror"; InputError if not there."""
    for mirror in vehicle.mirrors:
        if mirror.name == name:
            return mirror
    side, _, kind = name.partition(" ")
    for mirror in vehicle.mirrors:
        if mirror.name.endswith(kind) and mirror.centre[1] * _SIDES.get(side, 0.0) > 0:
            return mirror
    known = ", ".join(mirror.name for mirror in vehicle.mirrors) or "none"
    raise InputError("through", Said("is not one of", name=name, known=known))


def _reflected(mirror: Mirror, vehicle: Vehicle, seat: Seat, mark: str) -> SightLine:
    """From the mark on the glass on, by the law of reflection at the very place."""
    marks = {}
    for one in marks_in(vehicle, mirror, seat.eye):
        names = {one.name} if one.square is None else {one.name, one.named(None)}
        marks.update(dict.fromkeys(names, one.at))
    across, up = _named(marks, mark)
    hit = mirror.centre + across * mirror.across + up * mirror.up
    normal = mirror.aim
    if mirror.radius is not None:
        sunk = mirror.radius - np.sqrt(mirror.radius**2 - across**2 - up**2)
        hit = hit - sunk * mirror.aim
        normal = (hit - mirror.centre) / mirror.radius + mirror.aim
    way = (hit - seat.eye) / np.linalg.norm(hit - seat.eye)
    return SightLine(begin=hit, way=way - 2 * (way @ normal) * normal)


def _named(places: dict[str, Floats], name: str) -> Floats:
    if name not in places:
        known = ", ".join(places) or "none"
        raise InputError("mark", Said("is not one of", name=name, known=known))
    return places[name]
