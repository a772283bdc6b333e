"""What every kind of cue has, and what it is looked for with."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.events import PARTS, Watched
from faircorner.ground import Ground, Obstacle
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.sight import (
    LEAN,
    Moved,
    Onward,
    Seat,
    Sharpness,
    Shifted,
    Sighting,
    covering,
    leaning,
)
from faircorner.vehicle import Vehicle

__all__ = ["AGAIN", "BLUNT", "USELESS", "Cue", "Found", "Seeing", "covered", "hidden", "uncovered"]

# A cue that leaves more is none to stop by alone, m.
BLUNT = 0.25
# What leaves more than this tells nothing, m.
USELESS = 0.60
# What is found at a call is asked for again at once: for the best, and for all to choose among.
AGAIN = 4
# Where before the call a cue has to show, m.
_WATCHED = (0.25, 0.5)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Cue:
    """What is seen at a call from this seat.

    what : its name; target : (2,), m on the site; height : m
    runs : heading of an edge on the ground where it is met, rad; NaN for what stands upright
    said : what the driver sees, as its own kind tells it
    assumed : names of what of the thing itself nobody measured
    kind : where more than one thing is seen of the same past the same mark, which one it is
    """

    what: str
    sighting: Sighting
    sharpness: Sharpness
    target: Floats
    height: float
    said: Said
    runs: float = float("nan")
    assumed: tuple[str, ...] = ()
    kind: str = ""

    @property
    def part(self) -> str:
        """What of a thing it is that a step waits for, as `Watched` has it."""
        return self.kind if self.kind in PARTS else ""

    @property
    def upright(self) -> bool:
        return bool(np.isnan(self.runs))

    @property
    def key(self) -> str:
        """What it is, wherever it stands: in which glass, of what, past which mark."""
        parts = (self.sighting.through, self.what, self.sighting.feature or "")
        return " | ".join(str(part) for part in (*parts, *([self.kind] if self.kind else [])))

    @property
    def shows(self) -> bool:
        return self.sighting.through is not None

    @property
    def marked(self) -> bool:
        """Whether a mark of the vehicle is near enough to tell by."""
        return abs(self.sighting.offset) <= self.sighting.told.near

    @property
    def sharp(self) -> bool:
        return self.sharpness.scatter <= BLUNT

    def mirrored(self) -> "Cue":
        return replace(
            self,
            sighting=self.sighting.mirrored(),
            sharpness=self.sharpness.mirrored(self.sighting.told),
            target=self.target * np.array([1.0, -1.0]),
            runs=-self.runs,
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Found:
    """Something to line up on: a cue but for what leaning does to it.

    moved : how its image moves, see `Shifted`, which takes longer than to choose among cues; None
        where nobody can say
    shown : of m rolled on, negative before, whether it shows in the same glass there
    aslant : of m rolled on, the angle by which it is off parallel, rad, of what is told by that
    """

    cue: Cue
    moved: Shifted | None
    shown: Callable[[float], bool]
    aslant: Moved | None = None

    @property
    def steady(self) -> bool:
        """Whether it can be watched coming: all through the last half metre before the call."""
        return self.cue.shows and all(self.shown(-by) for by in _WATCHED)

    @property
    def whole(self) -> Cue:
        if self.moved is None:
            return self.cue
        moved = self.moved(np.array([LEAN, 0.0, 0.0]))
        return replace(self.cue, sharpness=leaning(self.cue.sharpness, moved))


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Seeing:
    """A driver at a call, the working side on the left.

    onward : where the vehicle stands once it rolls on as it does at the call
    watched : what the step before waited for, which is looked for first
    only : the name of what alone is looked for; "" for everything there
    """

    vehicle: Vehicle
    ground: Ground
    seat: Seat
    watched: Watched
    onward: Onward
    only: str = ""

    @property
    def pose(self) -> Floats:
        return self.onward(0.0)

    def looks_for(self, name: str) -> bool:
        return self.only in ("", name)


def uncovered(seeing: Seeing, sighting: Sighting, place: Floats) -> tuple[Sighting, str]:
    """What is seen of a place (3,) with all that stands there, and what hides it, if anything."""
    by = covered(seeing, sighting.eye, 0.0, place)
    return (sighting, "") if by is None else (replace(sighting, through=None), by.name)


def covered(
    seeing: Seeing, eye: Floats, by: float, place: Floats, *, but: Obstacle | None = None
) -> Obstacle | None:
    """What hides a place (3,) on the site from an eye in the vehicle, so many m rolled on.

    but : a thing under which one sees
    """
    stood = np.append(to_site(seeing.onward(by), eye[None, :2])[0], eye[2])
    return covering(tuple(o for o in seeing.ground.obstacles if o is not but), stood, place)


def hidden(place: Said, by: str = "") -> Said:
    """What is said of a cue that is hidden, by the vehicle's body where it is by nothing else.

    place : where on the body it would stand
    """
    if by:
        return Said("hidden behind", what=by)
    return Said("hidden and would stand", place=place) if place else Said("hidden")
