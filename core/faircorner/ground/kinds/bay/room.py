"""What may be given to a bay that is too tight, and its least width and aisle."""

from functools import partial

import numpy as np

from faircorner.ground.kind import Room, Size
from faircorner.ground.kinds.bay.layout import adjust_bay, bay_measures
from faircorner.ground.place import Ground
from faircorner.vehicle import Vehicle

__all__ = ["rooms", "sizes"]

# Widths of bay are tried this far apart, m.
_COARSE = 0.2


def rooms(_place: Ground) -> tuple[Room, ...]:
    return (Room(what="aisle", measure="aisle"), Room(what="bay width", measure="bay_width"))


def sizes(place: Ground, vehicle: Vehicle) -> tuple[Size, ...]:
    # A standard's limits off the lines cannot be kept in the middle of a very wide bay:
    # the width that works is looked for upward from the one there is.
    wider = np.arange(bay_measures(place)["bay_width"], min(6.0, 3 * vehicle.width), _COARSE)
    aisles = np.arange(place.road_width, 3 * vehicle.length, 3 * _COARSE)
    return (
        Size(what="bay width", at=partial(adjust_bay, place, "bay_width"),
             low=max(1.8, vehicle.width), tries=wider),
        Size(what="aisle", at=partial(adjust_bay, place, "aisle"),
             low=max(3.0, vehicle.width), tries=aisles),
    )  # fmt: skip
