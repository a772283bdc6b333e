"""How finely a cue stops the car, and what leaning does to it. docs/sums/sight.md."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.plane import Floats
from faircorner.said import Length, Said
from faircorner.sight.eye import Seat
from faircorner.sight.glass import sight_of
from faircorner.sight.told import Told
from faircorner.vehicle import Vehicle

__all__ = ["ACUITY", "CRAWL", "REACTION", "Sharpness", "sharpness"]

# Assumed, and said so on screen: what a driver can tell of an alignment between a near edge
# and a far one with both eyes open, the crawl, and the scatter of the reaction at it.
ACUITY = np.radians(0.5)
CRAWL = 0.5
REACTION = 0.12
# A picture that comes this much later or earlier, m, comes on another part of the way altogether.
_ANOTHER = 2.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Sharpness:
    """Metres of scatter a cue leaves in the stop, and metres late for each metre leant forward.

    image : m the image moves along the glass when the driver leans forward by `lean` metres
    late : m further rolled before the leaning driver sees the same picture; NaN when the
        image stands still
    """

    scatter: float
    lean: float
    image: float
    late: float

    @property
    def leant(self) -> Said:
        """What leaning does; nothing where nobody can say, as on a picture that changes panes.

        >>> str(Sharpness(scatter=0.1, lean=0.1, image=-0.03, late=0.2).leant)
        'lean 10 cm forward: the picture moves 3 cm, the stop 20 cm late'
        """
        if not np.isfinite(self.image):
            return Said()
        lean, image = Length(self.lean), Length(abs(self.image))
        if not abs(self.late) <= _ANOTHER:
            return Said("leant", lean=lean, image=image)
        return Said(
            "leant and stop late" if self.late > 0 else "leant and stop early",
            lean=lean,
            image=image,
            stop=Length(abs(self.late)),
        )

    def mirrored(self, told: Told) -> "Sharpness":
        """The same in a mirror, of an image that is told so."""
        return replace(self, image=-self.image) if told.flips else self


def sharpness(
    vehicle: Vehicle, seat: Seat, poses: Floats, s: Floats, target: Floats, height: float,
    *, lean: float = 0.10,
) -> Sharpness:  # fmt: skip
    """Sharpness of a cue at the middle one of three poses along the path.

    poses : (3, 3) just before, at and just after the call; s : (3,), m rolled there
    target : (2,), m on the site; height : m
    Scatter adds in squares: what the eye can tell over how fast the image turns, and the
    reaction's scatter at a crawl.
    """
    before, now, after = (sight_of(vehicle, seat, pose, target, height) for pose in poses)
    rolled = float(s[2] - s[0])
    turned = abs(np.angle(np.exp(1j * (after.bearing - before.bearing))))
    eye = ACUITY * rolled / turned if turned > 1e-6 else np.inf
    leant = sight_of(vehicle, seat.leaning(lean), poses[1], target, height)
    image = leant.station - now.station if leant.told is now.told else np.nan
    same_wall = before.told is now.told is after.told
    moved = (after.station - before.station) / rolled if same_wall else np.nan
    return Sharpness(
        scatter=float(np.hypot(eye, REACTION * CRAWL)),
        lean=lean,
        image=float(image),
        late=float(-image / moved) if abs(moved) > 1e-6 else float("nan"),
    )
