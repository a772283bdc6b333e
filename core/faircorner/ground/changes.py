"""What a tape says of a place, whatever its kind, and changing one measure at a time."""

from dataclasses import replace

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.kinds import kind_of
from faircorner.ground.place import Ground
from faircorner.ground.sketch import Sketch
from faircorner.said import Said
from faircorner.sides import sided, turned_in

__all__ = ["adjust", "measures", "sketch"]


def measures(ground: Ground) -> dict[str, float]:
    """What a tape would say of the place, in metres; what is not there is left out."""
    return kind_of(ground).measures(turned_in(ground.side, ground))


@sided
def sketch(ground: Ground) -> Sketch:
    """The measures that the place has, where they are drawn."""
    drawn = kind_of(ground).sketch(ground)
    had = measures(ground)
    return replace(drawn, lines=tuple(line for line in drawn.lines if line.measure in had))


@sided
def adjust(ground: Ground, measure: str, metres: float) -> Ground:
    """The same place with one measure changed, everything else left where it stands.

    Raises InputError naming the measure, also where this kind of place has no such measure.
    """
    if not np.isfinite(metres):
        raise InputError(measure, Said("must be a number"))
    return kind_of(ground).adjust(ground, measure, metres)
