"""What every kind of cue has, and what it is looked for with."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.events import Watched
from faircorner.ground import Ground
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.sight import Onward, Seat, Sharpness, Sighting, covering
from faircorner.vehicle import Vehicle

__all__ = ["BLUNT", "Cue", "Found", "Seeing", "hidden", "uncovered"]

# Farther from every mark of the vehicle nobody can say where something stands; and a cue that
# leaves more is none to stop by alone, m.
_FAR, BLUNT = 0.30, 0.25


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

    @property
    def shows(self) -> bool:
        return self.sighting.through is not None

    @property
    def marked(self) -> bool:
        """Whether a mark of the vehicle is near enough to tell by."""
        return abs(self.sighting.offset) <= _FAR

    @property
    def sharp(self) -> bool:
        return self.sharpness.scatter <= BLUNT

    def mirrored(self) -> "Cue":
        return replace(
            self,
            sighting=self.sighting.mirrored(),
            sharpness=self.sharpness.mirrored(self.sighting.told),
            target=self.target * np.array([1.0, -1.0]),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Found:
    """Something to line up on: a cue but for what leaning does to it.

    leaning : its sharpness with that, which takes longer than to choose among cues
    """

    cue: Cue
    leaning: Callable[[], Sharpness]

    @property
    def whole(self) -> Cue:
        return replace(self.cue, sharpness=self.leaning())


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Seeing:
    """A driver at a call, the working side on the left.

    onward : where the vehicle stands once it rolls on as it does at the call
    watched : what the step before waited for, which is looked for first
    """

    vehicle: Vehicle
    ground: Ground
    seat: Seat
    watched: Watched
    onward: Onward

    @property
    def pose(self) -> Floats:
        return self.onward(0.0)


def uncovered(seeing: Seeing, sighting: Sighting, place: Floats) -> tuple[Sighting, str]:
    """What is seen of a place (3,) with all that stands there, and what hides it, if anything."""
    pose, eye = seeing.pose, sighting.eye
    stood = np.append(to_site(pose, eye[None, :2])[0], eye[2])
    by = covering(seeing.ground.obstacles, stood, place)
    return (sighting, "") if by is None else (replace(sighting, through=None), by.name)


def hidden(place: Said, by: str = "") -> Said:
    """What is said of a cue that is hidden, by the vehicle's body where it is by nothing else.

    place : where on the body it would stand
    """
    if by:
        return Said("hidden behind", what=by)
    return Said("hidden and would stand", place=place) if place else Said("hidden")
