"""From hand-wheel turns to the curvature driven. Derivation: docs/sums/steering.md."""

from collections.abc import Callable
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import ArrayLike

from faircorner.errors import InputError, between
from faircorner.plane import Floats
from faircorner.said import Exact, Said
from faircorner.vehicle.monotone import monotone_cubic

__all__ = ["Circle", "Steering", "axle_radius", "circle_of_arc"]

# Nodes per lock for the table of the curvature's integral: its error is below 1e-9 rad.
_NODES = 400
# What a tape between chalk marks leaves open, m.
_TAPED = 0.01


@dataclass(frozen=True, slots=True, kw_only=True)
class Circle:
    """A circle driven with the wheel held: turns (left positive) and its diameter in metres.

    The diameter is kerb to kerb: at the track of the outer front tyre.
    """

    turns: float
    kerb_circle: float


def axle_radius(kerb_circle: ArrayLike, wheelbase: float, track_front: float) -> Floats:
    """Radius of the rear axle's path on measured kerb-to-kerb circles.

    kerb_circle : (...), m, diameter at the outer front tyre
    wheelbase, track_front : m
    Returns (...), m, positive; NaN where the circle is too tight for the wheelbase.
    Source: right triangle at the outer front tyre, docs/sums/steering.md.

    >>> axle_radius([10.4, 11.2, 4.0], 2.6, 1.5).round(2)
    array([3.75, 4.21,  nan])
    """
    half = np.asarray(kerb_circle, dtype=np.float64) / 2
    with np.errstate(invalid="ignore"):
        radius = np.sqrt(half**2 - wheelbase**2) - track_front / 2
    return np.where(radius > 0, radius, np.nan)


def circle_of_arc(chord: float, rise: float) -> tuple[float, float]:
    """A circle's diameter from three chalk marks on part of it, and what a centimetre leaves open.

    chord : m between the outer marks; rise : m by which the middle one stands off their line
    Raises InputError where no arc of less than half a circle has them.
    Source: intersecting chords, Euclid III.35: (chord / 2)² = rise · (diameter - rise).

    >>> circle_of_arc(6.0, 1.0)[0]
    10.0
    """
    between("rise_m", rise, 0.05, 20.0)
    if chord < 2 * rise:
        raise InputError("chord_m", Said("chord wanted"))
    diameter = chord**2 / (4 * rise) + rise
    return diameter, abs(1 - chord**2 / (4 * rise**2)) * _TAPED + chord / (2 * rise) * _TAPED


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Steering:
    """How a vehicle answers to its steering wheel.

    lock_turns : turns from straight to one lock
    kerb_circle : m, diameter at full lock
    circles : further circles, also measured; negative turns mean measured to the right,
        and then the right lock has its own curve
    wheelbase, track_front : m
    table : (2, n), the curvature's integral over turns from straight (turns/m) and the curvature
        (1/m), at equal steps from the right lock to the left: divided by turns per metre the
        first is the heading gained while the wheel moves, exact however coarse the sampling
    Raises InputError naming the circle that cannot be.
    """

    lock_turns: float
    kerb_circle: float
    wheelbase: float
    track_front: float
    circles: tuple[Circle, ...] = ()
    table: Floats = field(init=False, repr=False)
    _nodes: Floats = field(init=False, repr=False)
    _angle: Callable[[Floats], Floats] = field(init=False, repr=False)

    def __post_init__(self) -> None:
        if not 0.2 <= self.lock_turns <= 10:
            raise InputError(
                "lock_turns",
                Said("from straight to one lock", got=self.lock_turns),
            )
        for i, circle in enumerate(self.circles):
            if not 0 < abs(circle.turns) <= self.lock_turns:
                raise InputError(
                    f"circles[{i}].turns",
                    Said("must lie within the lock", lock_turns=self.lock_turns, got=circle.turns),
                )
        left = self._half(+1)
        right = self._half(-1) if any(c.turns < 0 for c in self.circles) else left
        turns = [-t for t, _ in reversed(right)] + [0.0] + [t for t, _ in left]
        angles = [-a for _, a in reversed(right)] + [0.0] + [a for _, a in left]
        object.__setattr__(self, "_angle", monotone_cubic(np.array(turns), np.array(angles)))
        nodes = np.linspace(-self.lock_turns, self.lock_turns, 2 * _NODES + 1)
        curvature = self.curvature(nodes)
        # Integral of a smooth function between close nodes: Simpson with the midpoint.
        middle = self.curvature((nodes[1:] + nodes[:-1]) / 2)
        steps = np.diff(nodes) * (curvature[:-1] + 4 * middle + curvature[1:]) / 6
        swept = np.concatenate(([0.0], np.cumsum(steps)))
        table = np.stack((swept - swept[_NODES], curvature))
        object.__setattr__(self, "table", table)
        object.__setattr__(self, "_nodes", nodes)

    def _half(self, sign: int) -> list[tuple[float, float]]:
        """(turns, road-wheel angle) measured on one side, both positive and rising."""
        measured = [(abs(c.turns), c.kerb_circle, f"circles[{i}].kerb_circle_m")
                    for i, c in enumerate(self.circles) if c.turns * sign > 0]  # fmt: skip
        if not any(np.isclose(turns, self.lock_turns) for turns, _, _ in measured):
            measured.append((self.lock_turns, self.kerb_circle, "kerb_circle_m"))
        points: list[tuple[float, float]] = []
        for turns, circle, name in sorted(measured):
            radius = float(axle_radius(circle, self.wheelbase, self.track_front))
            if not np.isfinite(radius):
                raise InputError(
                    name,
                    Said("is too tight", circle=Exact(circle), wheelbase=Exact(self.wheelbase)),
                )
            angle = float(np.arctan(self.wheelbase / radius))
            if points and not (turns > points[-1][0] and angle > points[-1][1]):
                raise InputError(
                    name,
                    Said("must be smaller than", circle=Exact(circle)),
                )
            points.append((turns, angle))
        return points

    def road_wheel_angle(self, turns: ArrayLike) -> Floats:
        """Angle of the single front wheel that stands for both; radians, shape of `turns`.

        Linear in turns when only the full-lock circle is known, else a monotone cubic
        (Fritsch and Butland 1984) through the measured circles.
        """
        held = np.clip(np.asarray(turns, dtype=np.float64), -self.lock_turns, self.lock_turns)
        return np.asarray(self._angle(held))

    def curvature(self, turns: ArrayLike) -> Floats:
        """Curvature of the rear axle's path, 1/m, left positive; shape of `turns`."""
        return np.asarray(np.tan(self.road_wheel_angle(turns)) / self.wheelbase)

    def bend(self, turns: ArrayLike) -> Floats:
        """The same read off the table, with lines between its places: for where tyres point.

        >>> wren = Steering(lock_turns=1.4, kerb_circle=10.4, wheelbase=2.6, track_front=1.5)
        >>> bool(abs(wren.bend(0.7) - wren.curvature(0.7)) < 1e-6)
        True
        """
        wheel = np.asarray(turns, dtype=np.float64)
        return np.asarray(np.interp(wheel, self._nodes, self.table[1]))

    def turns_for(self, curvature: float) -> float:
        """The wheel that gives a curvature (1/m, left positive), turns; NaN beyond the lock."""
        lock = float(np.copysign(self.lock_turns, curvature))
        if abs(curvature) > abs(float(self.curvature(lock))):
            return float("nan")
        if curvature == 0:
            return 0.0
        # Not loaded where a vehicle is only driven.
        from scipy.optimize import brentq  # noqa: PLC0415

        return float(brentq(lambda turns: float(self.curvature(turns)) - curvature, 0.0, lock))

    def mirrored(self) -> "Steering":
        """The steering of the same vehicle in a mirror."""
        flipped = tuple(Circle(turns=-c.turns, kerb_circle=c.kerb_circle) for c in self.circles)
        left, right = (any(c.turns * sign > 0 for c in self.circles) for sign in (1, -1))
        if not right:
            flipped = self.circles  # measured to the left only: taken as the same on both
        elif not left:
            # Measured to the right only: the left lock has the main circle alone, and keeps it.
            flipped += (Circle(turns=-self.lock_turns, kerb_circle=self.kerb_circle),)
        return Steering(
            lock_turns=self.lock_turns,
            kerb_circle=self.kerb_circle,
            wheelbase=self.wheelbase,
            track_front=self.track_front,
            circles=flipped,
        )
