"""What may be given to a park along the kerb that is too tight, and its least gap."""

from functools import partial

import numpy as np

from faircorner.ground.kind import Room, Size
from faircorner.ground.kinds.kerbside.layout import kerb_measures, with_behind
from faircorner.ground.place import Ground
from faircorner.vehicle import Vehicle

__all__ = ["rooms", "sizes"]

_START_GAP = Room(what="start gap", measure=None, option="gap", only_more=False)


def rooms(place: Ground) -> tuple[Room, ...]:
    if "gap" in kerb_measures(place):
        return (Room(what="gap", measure="gap"), _START_GAP)
    return (
        _START_GAP,
        Room(what="gap ahead", measure="goal_ahead", option="ahead", only_more=False),
    )


def sizes(place: Ground, vehicle: Vehicle) -> tuple[Size, ...]:
    tries = np.array([2.5 * vehicle.length])
    low = 1.02 * vehicle.length
    return (Size(what="gap", at=partial(with_behind, place), low=low, tries=tries),)
