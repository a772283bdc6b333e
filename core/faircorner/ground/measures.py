"""What a tape says of a place, whatever its kind, and changing one measure at a time."""

from typing import get_args

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.bay import BayMeasure, adjust_bay, bay_measures
from faircorner.ground.goals import Bay, Kerbside
from faircorner.ground.kerbside import KerbMeasure, adjust_kerb, kerb_measures
from faircorner.ground.place import Ground
from faircorner.ground.roads import adjust_road, road_measures

__all__ = ["adjust", "measures"]


def measures(ground: Ground) -> dict[str, float]:
    """What a tape would say of the place, in metres; what is not there is left out."""
    match ground.goal:
        case Bay():
            return {str(name): metres for name, metres in bay_measures(ground).items()}
        case Kerbside():
            return {str(name): metres for name, metres in kerb_measures(ground).items()}
        case _:
            return road_measures(ground)


def adjust(ground: Ground, measure: str, metres: float) -> Ground:
    """The same place with one measure changed, everything else left where it stands.

    Raises InputError naming the measure, also where this kind of place has no such measure.
    """
    if not np.isfinite(metres):
        raise InputError(measure, "must be a number of metres")
    match ground.goal:
        case Bay():
            for bay_measure in get_args(BayMeasure):
                if measure == bay_measure:
                    return adjust_bay(ground, bay_measure, metres)
            raise InputError("measure", f"must be one of {', '.join(get_args(BayMeasure))}")
        case Kerbside():
            for kerb_measure in get_args(KerbMeasure):
                if measure == kerb_measure:
                    return adjust_kerb(ground, kerb_measure, metres)
            raise InputError("measure", f"must be one of {', '.join(get_args(KerbMeasure))}")
        case _:
            return adjust_road(ground, measure, metres)
