"""Reversing round a corner into a side road."""

import numpy as np

from faircorner.ground.check import DISTANCES
from faircorner.ground.kind import Kind, Room, Size
from faircorner.ground.kinds.corner.document import CornerModel
from faircorner.ground.kinds.corner.drawing import sketch
from faircorner.ground.kinds.corner.goal import Corner
from faircorner.ground.kinds.roads import Road, lay_road
from faircorner.ground.place import Ground
from faircorner.vehicle import Vehicle

__all__ = ["CORNER", "Corner", "CornerModel"]

_ROAD = Road(
    {
        "corner_radius": "radius",
        "side_width": "side_width",
        "goal_kerb": "kerb",
        "goal_back": "back",
    }
)


def _sizes(place: Ground, vehicle: Vehicle) -> tuple[Size, ...]:
    return _ROAD.width(place, 3.0, np.arange(place.road_width, 4 * vehicle.length, 1.0))


CORNER = Kind(
    goal=Corner,
    model=CornerModel,
    where="in a side road",
    lay=lambda name: lay_road(name, Corner()),
    measures=_ROAD.measures,
    adjust=_ROAD.adjust,
    landmarks=("corner start", "corner"),
    gap_to="mouth",
    things=("first curved kerbstone", "last curved kerbstone"),
    rooms=lambda _place: (Room(what="road width", measure="road_width"),),
    sketch=sketch,
    sizes=_sizes,
    # Round a corner the junction is the exercise.
    distances=tuple(name for name in DISTANCES if name != "junction"),
)
