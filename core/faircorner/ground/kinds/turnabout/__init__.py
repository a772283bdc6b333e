"""Turning round in a road."""

from dataclasses import replace

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.kind import Kind, Room, Size
from faircorner.ground.kinds.roads import Road, lay_road
from faircorner.ground.kinds.turnabout.document import TurnaboutModel
from faircorner.ground.kinds.turnabout.drawing import sketch
from faircorner.ground.kinds.turnabout.goal import Turnabout
from faircorner.ground.place import Ground
from faircorner.said import Said
from faircorner.vehicle import Vehicle

__all__ = ["TURNABOUT", "Turnabout", "TurnaboutModel", "change_road"]

_ROAD = Road({"goal_kerb": "kerb"})


def change_road(ground: Ground, *, overhang: bool) -> Ground:
    """The same road with the body allowed over its kerbs, or not.

    Raises InputError where nobody turns round.
    """
    if not isinstance(ground.goal, Turnabout):
        raise InputError("overhang", Said("matters only where somebody turns"))
    return replace(ground, goal=replace(ground.goal, overhang=overhang))


def _sizes(place: Ground, vehicle: Vehicle) -> tuple[Size, ...]:
    tries = np.arange(1.2 * vehicle.length, 4 * vehicle.length, 1.0)
    return _ROAD.width(place, max(3.0, vehicle.width), tries)


TURNABOUT = Kind(
    goal=Turnabout,
    model=TurnaboutModel,
    where="facing back along an empty road",
    lay=lambda name: lay_road(name, Turnabout()),
    measures=_ROAD.measures,
    adjust=_ROAD.adjust,
    landmarks=("mark",),
    gap_to="mark",
    things=(),
    rooms=lambda _place: (Room(what="road width", measure="road_width"),),
    sketch=sketch,
    sizes=_sizes,
)
