"""How finely a cue stops the car, and what leaning does to it. docs/sums/sight.md."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Protocol, TypeAlias

import numpy as np

from faircorner.plane import Floats, frozen, to_body, wrap
from faircorner.said import Length, Said
from faircorner.sight.glass import Sighting, mark_image, mark_of, on_plane, pane_of
from faircorner.sight.told import Told
from faircorner.vehicle import Vehicle

__all__ = [
    "ACUITY",
    "AT_PLACE",
    "CRAWL",
    "LEAN",
    "NEAR",
    "REACTION",
    "Moved",
    "Onward",
    "Sharpness",
    "Shifted",
    "image_height",
    "image_moved",
    "leaning",
    "same_again",
    "scatter",
]

# Assumed, and said so on screen: what a driver can tell of an alignment between a near edge
# and a far one with both eyes open, the crawl, and the scatter of the reaction at it.
ACUITY = np.radians(0.5)
CRAWL = 0.5
REACTION = 0.12
# How far a driver leans without meaning to, m.
LEAN = 0.10
# Just before a call and just after it, m.
NEAR = 0.03
# A picture that comes this much later or earlier comes on another part of the way altogether; and
# how finely it is looked for, m.
_ANOTHER, _STEP, _WELL_PAST = 2.0, 0.1, 1.5


@dataclass(frozen=True, slots=True, kw_only=True)
class Sharpness:
    """Metres of scatter a cue leaves in the stop, and metres late for each metre leant forward.

    lean : m that the driver leans forward for what is told of it, which is worked out for what
        is told alone
    image : m the image moves along the glass when the driver leans forward by `lean` metres
    late : m further rolled, as the vehicle rolls at the call, before the leaning driver sees the
        same picture; NaN where they never do, or it stands still
    """

    scatter: float
    lean: float
    image: float = float("nan")
    late: float = float("nan")

    @property
    def leant(self) -> Said:
        """What leaning does; nothing where nobody can say, as on a picture that changes panes.

        >>> str(Sharpness(scatter=0.1, lean=0.1, image=-0.03, late=0.2).leant)
        'lean 10 cm forward and the picture moves 3 cm: you stop 20 cm late'
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


# A thing that stands where it does, (2,) m elsewhere.
AT_PLACE = frozen(np.zeros(2))
# Of m rolled on: how far an image is from where it was at the call, m as it is told.
Moved: TypeAlias = Callable[[float], float]


class Shifted(Protocol):
    """How an image moves for an eye that is elsewhere by (3,) m in the vehicle's frame, of a thing
    that stands elsewhere by (2,) m on the site.
    """

    def __call__(self, by_eye: Floats, by_thing: Floats = AT_PLACE, /) -> Moved: ...


# Where the vehicle stands, (3,), so many metres on as it rolls at a call; negative before it.
Onward: TypeAlias = Callable[[float], Floats]


def leaning(sharp: Sharpness, moved: Moved) -> Sharpness:
    """The same with what a lean does to it; moved : how the leaning driver's image moves."""
    return replace(sharp, image=moved(0.0), late=same_again(moved))


def scatter(now: Sighting, onward: Onward, target: Floats) -> float:
    """m that a cue on an upright edge leaves in the stop.

    now : how it appears at the call; onward : see `Onward`; target : (2,), m on the site
    Added in squares: what the eye can tell over how fast the image turns, and the reaction's
    scatter at a crawl.
    """
    before, after = (to_body(onward(by), target[None])[0] - now.eye[:2] for by in (-NEAR, NEAR))
    turned = abs(wrap(np.arctan2(after[1], after[0]) - np.arctan2(before[1], before[0])))
    eye = ACUITY * 2 * NEAR / turned if turned > 1e-6 else np.inf
    return float(np.hypot(eye, REACTION * CRAWL))


def image_height(pose: Floats, now: Sighting, target: Floats) -> float:
    """The height on an upright edge that its image was taken at, m; arguments as for `scatter`."""
    hit = np.array([now.x, now.y, now.z])
    here = to_body(pose, target[None])[0]
    farther = np.linalg.norm(here - now.eye[:2]) / np.linalg.norm(hit[:2] - now.eye[:2])
    return float(now.eye[2] + (hit[2] - now.eye[2]) * farther)


def image_moved(vehicle: Vehicle, now: Sighting, onward: Onward, target: Floats) -> Shifted | None:
    """How an upright edge's image moves for an eye, or the edge, that is elsewhere.

    It moves past the mark it is told from, whose own image moves as well.
    None where it is hidden: nobody can say what that does to it.
    """
    pane = pane_of(vehicle, now)
    if pane is None:
        return None
    height, axis = image_height(onward(0.0), now, target), now.told.axis
    mark = mark_of(vehicle, now)

    def shifted(by_eye: Floats, by_thing: Floats = AT_PLACE) -> Moved:
        eye = now.eye + by_eye

        def off(by: float, eye: Floats, stands: Floats) -> float:
            place = np.append(to_body(onward(by), stands[None])[0], height)
            hit = on_plane(pane, eye, place)
            mark_at = 0.0 if mark is None else mark_image(eye, mark, hit, pane.normal)[axis]
            return float(hit[axis] - mark_at)

        stood = off(0.0, now.eye, target)
        return lambda by: off(by, eye, target + by_thing) - stood

    return shifted


def same_again(moved: Callable[[float], float], *, within: float = _ANOTHER) -> float:
    """m rolled on, negative before, until an image that has moved stands where it stood.

    moved : of m rolled on, by how much the image is off; NaN where it is another picture
    The nearest place either way within so many metres; NaN where there is none.
    """
    start = moved(0.0)
    if abs(start) < 1e-9:
        return float("nan")
    # Imported here: it is half of the time of `core drive`, which never calls this.
    from scipy.optimize import brentq  # noqa: PLC0415

    # Mostly it moves on as it begins to: that it does is seen, not taken for granted.
    speed = (moved(_STEP) - start) / _STEP
    beyond = -_WELL_PAST * start / speed if speed else np.inf
    if abs(beyond) <= within and start * moved(beyond) <= 0:
        return float(brentq(moved, *sorted((0.0, beyond)), xtol=1e-4))
    last = {1.0: start, -1.0: start}
    for by in np.arange(1, round(within / _STEP) + 1) * _STEP:
        for way, before in last.items():
            here = moved(way * by)
            if before * here <= 0:
                return float(brentq(moved, way * (by - _STEP), way * by, xtol=1e-4))
            last[way] = here
    return float("nan")
