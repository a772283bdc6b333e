"""What every kind of cue has, and what it is looked for with."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.events import Watched
from faircorner.ground import Ground
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sight import Seat, Sharpness, Sighting
from faircorner.vehicle import Vehicle

__all__ = ["Cue", "Seeing", "hidden"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Cue:
    """What is seen at a call from this seat.

    what : its name; target : (2,), m on the site; height : m
    said : what the driver sees, as its own kind tells it
    """

    what: str
    sighting: Sighting
    sharpness: Sharpness
    target: Floats
    height: float
    said: Said

    def mirrored(self) -> "Cue":
        return replace(
            self,
            sighting=self.sighting.mirrored(),
            sharpness=self.sharpness.mirrored(self.sighting.told),
            target=self.target * np.array([1.0, -1.0]),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Seeing:
    """A driver at a call, the working side on the left.

    poses : (3, 3) just before, at and just after it; s : (3,), m rolled there
    watched : what the step before waited for, which is looked for first
    """

    vehicle: Vehicle
    ground: Ground
    seat: Seat
    watched: Watched
    poses: Floats
    s: Floats


def hidden(place: Said) -> Said:
    """What is said where the body hides a cue that would stand there."""
    return Said("hidden and would stand", place=place) if place else Said("hidden")
