"""Leaving again: how far straight before any steering, so that nothing is met on the way out."""

from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from faircorner.cues.driven import line_gap, obstacle_gap
from faircorner.cues.problem import LEAST_SPARE
from faircorner.cues.scene import Scene
from faircorner.errors import InputError
from faircorner.ground import Ground
from faircorner.motion import Leg, Track, drive
from faircorner.plane import Bools, Floats
from faircorner.said import Rough, Said
from faircorner.sides import sided
from faircorner.vehicle import Vehicle

__all__ = ["WAY_OUT_RATE", "Leaving", "leave"]

# Assumed of the hands on the way out: turns of the wheel for each metre rolled.
WAY_OUT_RATE = 2.0
# Straight stretches tried, m, and how far apart poses are looked at.
_MOST, _STEP, _SAMPLE = 9.0, 0.05, 0.10


@dataclass(frozen=True, slots=True, kw_only=True)
class Leaving:
    """One way out: straight in a gear, then full lock to one side in `then`.

    straight : least m to roll straight first, to 5 cm; None where no stretch does in one go
    """

    way: Literal["left", "right"]
    gear: Literal["forward", "reverse"]
    then: Literal["forward", "reverse"]
    straight: float | None

    @property
    def said(self) -> Said:
        """How it is told to a driver."""
        if self.straight is None:
            return Said("out not in one go", way=self.way)
        if self.straight == 0:
            return Said("out from where it stands", way=self.way, gear=self.then)
        if self.gear == self.then:
            return Said(f"out {self.gear} first", by=Rough(self.straight), way=self.way)
        return Said(
            f"out {self.gear} and then the other way",
            by=Rough(self.straight),
            gear=self.then,
            way=self.way,
        )

    def mirrored(self) -> "Leaving":
        return replace(self, way="right" if self.way == "left" else "left")


@sided
def leave(scene: Scene) -> tuple[Leaving, ...]:
    """Ways out of where the vehicle stands: both sides of a bay, or away from a kerb.

    From a bay the vehicle rolls out the way it came; from the kerb it backs first, then drives
    out. Everything is passed with 5 cm or more; docs/sums/berth.md.
    Raises InputError where nobody says where it stands, and for a pose that is no number.
    """
    start = scene.standing
    if start is None or not np.isfinite(start).all():
        raise InputError("pose", Said("must be three numbers"))
    place = scene.suited().ground
    if place.has_kerb:
        ways: tuple[tuple[int, int, int], ...] = ((-1, -1, 1),)
    else:
        gear = 1 if place.berth.along == "behind" else -1
        ways = ((1, gear, gear), (-1, gear, gear))
    return tuple(
        Leaving(
            way="left" if side > 0 else "right",
            gear=_gear(gear),
            then=_gear(then),
            straight=_least(scene.vehicle, place, start, side, gear, then),
        )
        for side, gear, then in ways
    )


def _gear(direction: int) -> Literal["forward", "reverse"]:
    return "forward" if direction > 0 else "reverse"


def _least(
    vehicle: Vehicle, ground: Ground, start: Floats, side: int, gear: int, then: int
) -> float | None:
    """The shortest straight stretch (m) after which full lock clears everything."""
    straight = np.arange(0.0, _MOST, _STEP)
    count = len(straight)
    lock = side * vehicle.steering.lock_turns
    radius = 1 / abs(float(vehicle.steering.curvature(lock)))
    # A quarter turn brings it along an aisle; half of that brings the nose past one parked ahead.
    turned = radius * np.pi / (4 if ground.has_kerb else 2) + vehicle.steering.lock_turns
    legs = [
        Leg(direction=gear, turns=np.zeros(count), metres=straight, rate=np.full(count, np.inf)),
        Leg(
            direction=then,
            turns=np.full(count, lock),
            metres=np.full(count, turned),
            rate=np.full(count, WAY_OUT_RATE),
        ),
    ]
    track = drive(
        vehicle.steering, np.tile(start, (count, 1)), np.zeros(count), legs, sample=_SAMPLE
    )
    good = _clear(vehicle, ground, track)
    return float(straight[good.argmax()]) if good.any() else None


def _clear(vehicle: Vehicle, ground: Ground, track: Track) -> Bools:
    """Which attempts pass everything with room to spare, and stay on the road or aisle."""
    way = track.poses, track.turns
    good = np.ones(len(track.poses), dtype=np.bool_)
    for line in ground.kerblines:
        good &= line_gap(*way, vehicle, line).metres >= 0
    for obstacle in ground.obstacles:
        found = obstacle_gap(*way, vehicle, obstacle, between=True)
        good &= found.metres >= LEAST_SPARE
    return np.asarray(good)
