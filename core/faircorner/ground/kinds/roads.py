"""What roads with nobody parked have in common: they are laid out, measured and widened alike."""

from collections.abc import Mapping
from dataclasses import replace
from functools import partial
from typing import Any

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.goal import Goal
from faircorner.ground.kind import Size
from faircorner.ground.place import Ground
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sides import Side, turned_back

__all__ = ["Road", "lay_road"]


def lay_road(name: str, goal: Goal, *, side: Side = "left", road_width: float = 7.0) -> Ground:
    """An empty road with its kerbs; road_width in m, `goal` says what is done there."""
    place = Ground(name=name, side="left", obstacles=(), goal=goal, road_width=road_width)
    return turned_back(side, place)


class Road:
    """Measures of a road whose goal has some of its own, by the names of its fields."""

    def __init__(self, fields: Mapping[str, str]) -> None:
        self._fields = fields

    def measures(self, place: Ground) -> dict[str, float]:
        """What a tape would say of the place, in metres."""
        found = {
            name: round(float(getattr(place.goal, field)), 6)
            for name, field in self._fields.items()
        }
        return {"road_width": place.road_width, **found}

    def adjust(self, place: Ground, measure: str, metres: float) -> Ground:
        """The same place with one measure changed. Raises InputError naming the measure."""
        if measure == "road_width":
            return replace(place, road_width=metres)
        if measure not in self._fields:
            known = ", ".join(("road_width", *self._fields))
            raise InputError("measure", Said("must be one of", known=known))
        # Each goal names the field of its own that is outside its limits.
        goal: Any = place.goal
        return replace(place, goal=replace(goal, **{self._fields[measure]: metres}))

    def width(self, place: Ground, low: float, tries: Floats) -> tuple[Size, ...]:
        at = partial(self.adjust, place, "road_width")
        return (Size(what="road width", at=at, low=low, tries=np.asarray(tries)),)
