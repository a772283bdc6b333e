"""The driver's eye in a vehicle."""

from dataclasses import dataclass, field, replace

import numpy as np

from faircorner.errors import InputError, between
from faircorner.plane import Floats, frozen
from faircorner.said import Exact, Said
from faircorner.vehicle import Dot, Feature, Vehicle

__all__ = ["TAPED", "Seat"]

# What a taped eye is off by in each direction, and the most that still tells a cue, m.
TAPED, _MOST_UNCERTAIN = 0.02, 0.15
# What is lined up with a mark is so many times as far off as that.
_BEYOND = 5.0


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Seat:
    """One person's seat in one vehicle.

    eye : (3,), m in the vehicle's frame, facing forward
    looking_back : (3,), the eye when turned to look back, None when it was not measured
    uncertain : (3,), m by which the eye may be off along each axis, as it was measured
    marks : put down by this driver on glass or dash; dots : on mirrors, by their names
    leant : m by which the driver leans forward
    """

    name: str
    eye: Floats
    looking_back: Floats | None = None
    uncertain: Floats = field(default_factory=lambda: frozen(np.full(3, TAPED)))
    marks: tuple[Feature, ...] = ()
    dots: dict[str, tuple[Dot, ...]] = field(default_factory=dict)
    leant: float = 0.0

    def __post_init__(self) -> None:
        for name in ("eye", "looking_back"):
            value = getattr(self, name)
            if value is None:
                continue
            point = frozen(value)
            between(f"{name}.z_m", point[2], 0.5, 3.5)
            if abs(point[1]) > 1.5:
                raise InputError(
                    f"{name}.y_m", Said("must lie inside the cab", got=Exact(point[1]))
                )
            object.__setattr__(self, name, point)
        for axis, off in zip("xyz", self.uncertain, strict=True):
            between(f"uncertain_m.{axis}_m", float(off), 0.0, _MOST_UNCERTAIN)

    def sits_in(self, vehicle: Vehicle) -> Vehicle:
        """The vehicle with this driver's own marks on it."""
        return vehicle.marked(self.marks, self.dots)

    def leaning(self, forward: float) -> "Seat":
        """The same driver leaning forward by so many metres, however they look."""
        shift = [forward, 0.0, 0.0]
        back = None if self.looking_back is None else self.looking_back + shift
        return replace(self, eye=self.eye + shift, looking_back=back, leant=self.leant + forward)

    def mirrored(self) -> "Seat":
        flip = [1.0, -1.0, 1.0]
        back = None if self.looking_back is None else self.looking_back * flip
        return replace(
            self,
            eye=self.eye * flip,
            looking_back=back,
            marks=tuple(mark.mirrored() for mark in self.marks),
            dots={name: tuple(d.mirrored() for d in dots) for name, dots in self.dots.items()},
        )

    def eye_toward(self, point: Floats) -> Floats:
        """The eye used to see a point (3,) in the vehicle's frame: turned when it lies behind.

        Whoever turns for it as they sit turns for it leaning, and the other way round.
        """
        if self.looking_back is not None and point[0] < self.eye[0] - self.leant - 0.2:
            return self.looking_back
        return self.eye

    def eye_past(self, mark: Floats) -> Floats:
        """The eye used to see what lies well beyond a mark (3,): a driver turns for that."""
        return self.eye_toward(self.eye + _BEYOND * (mark - self.eye))
