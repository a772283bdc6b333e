"""Low-speed motion without slip, a batch of attempts at a time. Derivation: docs/sums/motion.md.

The single-track model (Rajamani, Vehicle Dynamics and Control, 2nd ed., section 2.2, at zero
slip): the rear axle's centre moves along the heading, and the heading turns by the curvature
per metre. Headings are in closed form; positions are a Gauss-Legendre sum over short steps.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import TypeAlias

import numpy as np
from numpy.typing import ArrayLike

from faircorner.compiled import compiled, whole
from faircorner.errors import InputError
from faircorner.plane import Floats, mirrored
from faircorner.said import Exact, Said
from faircorner.vehicle import Steering

__all__ = ["Leg", "Track", "advance", "drive", "joined", "settle_turn", "wheel_and_heading"]

Winding: TypeAlias = tuple[float, float, float, float, float]

_GAUSS = 0.5 / np.sqrt(3.0)


@compiled
def _all_from(low: float, values: Floats) -> bool:
    """Whether none of (n,) is below, or not a number."""
    kept = True
    for value in values:
        kept &= value >= low
    return kept


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Leg:
    """One stretch in one gear with one thing done to the wheel.

    direction : +1 forward, -1 reverse
    turns : (attempts,), where the wheel goes, left positive
    metres : (attempts,), how far the rear axle rolls, 0 or more
    rate : (attempts,), turns per metre rolled; inf when the wheel is turned standing
    """

    direction: int
    turns: Floats
    metres: Floats
    rate: Floats

    def __post_init__(self) -> None:
        if self.direction not in (1, -1):
            raise InputError("gear", Said("must be forward or reverse", got=self.direction))
        for name, low in (("turns", -np.inf), ("metres", 0.0), ("rate", 0.0)):
            values = whole(getattr(self, name)).reshape(-1)
            if not _all_from(low, values):
                raise InputError(name, Said("must not be below", low=low))
            object.__setattr__(self, name, values)
        if not _all_from(np.nextafter(0.0, 1.0), self.rate):
            raise InputError("turns_per_metre", Said("standing is left empty"))

    def mirrored(self) -> "Leg":
        return replace(self, turns=-self.turns)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Track:
    """Where a batch of attempts went.

    s : (attempts, n), metres rolled since the start, never falling
    poses : (attempts, n, 3); turns : (attempts, n); leg : (n,), the leg each sample ends
    """

    s: Floats
    poses: Floats
    turns: Floats
    leg: np.ndarray[tuple[int], np.dtype[np.int64]]

    @property
    def final(self) -> Floats:
        return self.poses[:, -1]

    def mirrored(self) -> "Track":
        return replace(self, poses=mirrored(self.poses), turns=-self.turns)


@compiled
def _read(table: Floats, lock: float, turns: float) -> tuple[float, float]:
    """Integral of the curvature (turns/m) and curvature (1/m) at one place of the wheel.

    A cubic in each step of a steering's table, with the curvature as its slope (Hermite).
    """
    step = 2 * lock / (table.shape[1] - 1)
    along = (min(max(turns, -lock), lock) + lock) / step
    node = min(int(along), table.shape[1] - 2)
    t = along - node
    rise = table[0, node + 1] - table[0, node]
    begin, end = table[1, node] * step - rise, rise - table[1, node + 1] * step
    swept = table[0, node] + t * rise + t * (1 - t) * (begin * (1 - t) + end * t)
    slope = rise + (1 - t) * (1 - 3 * t) * begin + t * (2 - 3 * t) * end
    return float(swept), float(slope / step)


@compiled
def _all_settled(
    table: Floats, lock: float, turns: Floats, targets: Floats, rates: Floats
) -> Floats:
    settled = np.empty_like(turns)
    for i in range(len(turns)):
        swept = _read(table, lock, targets[i])[0] - _read(table, lock, turns[i])[0]
        settled[i] = (swept if targets[i] >= turns[i] else -swept) / rates[i]
    return settled


def settle_turn(steering: Steering, turns: ArrayLike, target: ArrayLike, rate: ArrayLike) -> Floats:
    """Heading still gained, per unit of direction, while the wheel goes from turns to target.

    turns, target : (...), turns; rate : (...), turns per metre, inf for standing
    Returns (...), radians; multiply by the direction driven.
    """
    wheel = np.stack(np.broadcast_arrays(turns, target, rate)).astype(np.float64)
    flat = wheel.reshape(3, -1)
    settled = _all_settled(steering.table, steering.lock_turns, flat[0], flat[1], flat[2])
    return settled.reshape(wheel.shape[1:])


@compiled
def _winding(table: Floats, lock: float, start: float, target: float) -> Winding:
    """One wheel's way: from, to, the table's integral at either end, curvature at the target."""
    end, curvature = _read(table, lock, target)
    return start, target, _read(table, lock, start)[0], end, curvature


@compiled
def _turned(
    table: Floats, lock: float, winding: Winding, rate: float, s: float
) -> tuple[float, float]:
    """The wheel, and the heading gained in forward gear, s metres into a leg."""
    start, target, begin, end, curvature = winding
    ramp = abs(target - start) / rate
    sign = 1.0 if target >= start else -1.0
    if s < ramp:
        now = start + (target - start) * s / ramp
        return now, sign * (_read(table, lock, now)[0] - begin) / rate
    return target, sign * (end - begin) / rate + curvature * (s - ramp)


@compiled
def _headings(
    table: Floats, lock: float, starts: Floats, targets: Floats, rates: Floats, s: Floats
) -> tuple[Floats, Floats]:
    wheels, gained = np.empty_like(s), np.empty_like(s)
    for i in range(s.shape[0]):
        winding = _winding(table, lock, starts[i], targets[i])
        for j in range(s.shape[1]):
            wheels[i, j], gained[i, j] = _turned(table, lock, winding, rates[i], s[i, j])
    return wheels, gained


@compiled
def _poses(
    table: Floats, lock: float, poses: Floats, starts: Floats, direction: int, targets: Floats,
    rates: Floats, s: Floats,
) -> tuple[Floats, Floats]:  # fmt: skip
    """Two-point Gauss-Legendre in every step; poses : (attempts, 3), where the leg begins."""
    ways, wheels = np.empty((*s.shape, 3)), np.empty_like(s)
    for i in range(s.shape[0]):
        x, y, heading = poses[i]
        winding, rate = _winding(table, lock, starts[i], targets[i]), rates[i]
        for j in range(s.shape[1]):
            if j > 0:
                half = (s[i, j] - s[i, j - 1]) / 2
                for node in (-_GAUSS, _GAUSS):
                    at = s[i, j] - half + 2 * node * half
                    gained = _turned(table, lock, winding, rate, at)[1]
                    x += direction * half * np.cos(heading + direction * gained)
                    y += direction * half * np.sin(heading + direction * gained)
            now, gained = _turned(table, lock, winding, rate, s[i, j])
            wheels[i, j] = now
            ways[i, j, 0], ways[i, j, 1], ways[i, j, 2] = x, y, heading + direction * gained
    return ways, wheels


def wheel_and_heading(
    steering: Steering, turns: Floats, leg: Leg, s: Floats
) -> tuple[Floats, Floats]:
    """Wheel turns and heading gained (rad) at given distances into a leg; no position is needed.

    turns : (attempts,), the wheel where the leg begins; s : (attempts, n), m into it
    Returns two of (attempts, n).
    """
    wheels, gained = _headings(
        steering.table, steering.lock_turns, whole(turns), leg.turns, leg.rate, whole(s),
    )  # fmt: skip
    return wheels, leg.direction * gained


def advance(
    steering: Steering, pose: Floats, turns: Floats, leg: Leg, s: Floats
) -> tuple[Floats, Floats]:
    """Poses and wheel turns at given distances into one leg.

    pose : (attempts, 3); turns : (attempts,), where leg and wheel begin
    s : (attempts, n), metres into the leg, starting at 0 and not falling
    Returns poses (attempts, n, 3) and turns (attempts, n). With steps of 5 cm the error is
    below 0.01 mm a metre; docs/sums/motion.md.
    """
    return _poses(
        steering.table, steering.lock_turns, whole(pose), whole(turns), leg.direction,
        leg.turns, leg.rate, whole(s),
    )  # fmt: skip


def drive(
    steering: Steering,
    start: ArrayLike,
    turns: ArrayLike,
    legs: Sequence[Leg],
    *,
    sample: float = 0.05,
) -> Track:
    """Drive a batch of attempts through the same sequence of legs.

    start : (attempts, 3), m and rad; turns : (attempts,), the wheel at the start
    sample : m, the widest step between samples; each leg's ends are always sampled
    Returns a Track. Raises InputError for a sample that is not above 0 and for turns beyond
    the lock.

    >>> wren = Steering(lock_turns=1.4, kerb_circle=10.4, wheelbase=2.6, track_front=1.5)
    >>> leg = Leg(direction=-1, turns=[0.0], metres=[2.0], rate=[2.0])
    >>> drive(wren, [[0.0, 0.0, 0.0]], [0.0], [leg]).final.round(9).tolist()
    [[-2.0, 0.0, 0.0]]
    """
    if not sample > 0:
        raise InputError("sample_m", Said("must be above 0", got=Exact(sample)))
    pose = np.atleast_2d(np.asarray(start, dtype=np.float64))
    wheel = np.broadcast_to(np.asarray(turns, dtype=np.float64), pose.shape[:1])
    parts = []
    for index, leg in enumerate(legs):
        if (np.abs(leg.turns) > steering.lock_turns + 1e-9).any():
            raise InputError(
                f"legs[{index}].turns",
                Said("is beyond the lock", lock_turns=steering.lock_turns),
            )
        count = max(1, int(np.ceil(leg.metres.max(initial=0.0) / sample - 1e-9)))
        s = leg.metres[:, None] * np.linspace(0.0, 1.0, count + 1)
        parts.append((s, *advance(steering, pose, wheel, leg, s)))
        pose, wheel = parts[-1][1][:, -1], parts[-1][2][:, -1]
    return joined(np.atleast_2d(np.asarray(start, dtype=np.float64)), turns, parts)


def joined(
    start: Floats, turns: ArrayLike, parts: Sequence[tuple[Floats, Floats, Floats]]
) -> Track:
    """One track of the parts driven leg by leg, each beginning where the one before it ended.

    start : (attempts, 3) and turns : (attempts,), before the first leg
    parts : of each leg (attempts, n) metres into it, (attempts, n, 3) poses, (attempts, n) turns
    """
    sizes = [s.shape[1] - 1 for s, _, _ in parts]
    count, length = len(start), 1 + sum(sizes)
    rolled, poses = np.zeros((count, length)), np.empty((count, length, 3))
    wheels = np.empty((count, length))
    poses[:, 0], wheels[:, 0] = start, turns
    at = 1
    for size, (s, ways, wheel) in zip(sizes, parts, strict=True):
        here = slice(at, at + size)
        rolled[:, here] = rolled[:, at - 1, None] + s[:, 1:]
        poses[:, here], wheels[:, here] = ways[:, 1:], wheel[:, 1:]
        at += size
    legs = np.repeat(np.arange(len(parts)), sizes)
    return Track(s=rolled, poses=poses, turns=wheels, leg=np.concatenate(([0], legs)))
