"""When a method cannot work here: the least change that would make it."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from faircorner.cues.fit import Given, fit
from faircorner.cues.scene import Scene
from faircorner.errors import InputError
from faircorner.ground import (
    Bay,
    Corner,
    Ground,
    Kerbside,
    Turnabout,
    adjust,
    measures,
    with_behind,
)
from faircorner.plane import Floats

__all__ = ["Remedy", "least_change", "least_sizes"]

# Changes are tried up to this much, and told to this much, m.
_MOST, _FINE = 3.2, 0.02
# Widths of bay are tried this far apart, m.
_COARSE = 0.2
# And what touches first is shown this much below the least size, m.
_TIGHTER = 0.1
# What is only ever too small.
_ONLY_MORE = ("gap", "aisle", "bay width", "road width")


@dataclass(frozen=True, slots=True, kw_only=True)
class Remedy:
    """One figure to change: "gap" between parked vehicles, "start gap", "gap ahead", "aisle",
    "bay width" or "road width"; metres.

    to : what it should be; by : the change
    """

    what: str
    to: float
    by: float


def least_change(scene: Scene, given: Given) -> Remedy | None:
    """The smallest single change that makes the fit feasible; None when none of them does.

    Each candidate is grown until it works and halved back to 2 cm; the answer has been fitted,
    so that making the change is known to do.
    """
    found = [
        remedy
        for what, value, change in _candidates(scene, given)
        for sign in ((1.0,) if what in _ONLY_MORE else (1.0, -1.0))
        for remedy in [_least(what, value, sign, change)]
        if remedy is not None
    ]
    return min(found, key=lambda r: abs(r.by), default=None)


def least_sizes(scene: Scene, given: Given) -> list[tuple[str, float | None, Scene]]:
    """The least gap, width of bay and aisle, or width of road that the method can use.

    Returns of each its name, metres to 2 cm, None where no size within reason is enough, and the
    scene a little tighter than that, which does not work. Takes about ten fits each. Raises
    InputError where there is nothing to be tightened.
    """
    sizes = _tightened(scene)
    if not sizes:
        raise InputError("ground", "there is no least size to look for at such a place")
    found: list[tuple[str, float | None, Scene]] = []
    for size in sizes:
        metres = _least_of(scene, given, size)
        tight = size.low if metres is None else max(size.low, metres - _TIGHTER)
        found.append((size.what, metres, replace(scene, ground=size.at(tight))))
    return found


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class _Size:
    """How a place is made tighter: below `low` nothing goes, `tries` are sizes to begin from, m."""

    what: str
    at: Callable[[float], Ground]
    low: float
    tries: Floats


def _least_of(scene: Scene, given: Given, size: _Size) -> float | None:
    def works(metres: float) -> bool:
        return fit(replace(scene, ground=size.at(metres)), given).feasible

    low = size.low
    high = next((float(metres) for metres in size.tries if works(float(metres))), None)
    if high is None:
        return None
    while high - low > _FINE:
        middle = (low + high) / 2
        low, high = (low, middle) if works(middle) else (middle, high)
    return high


def _tightened(scene: Scene) -> list[_Size]:
    ground, car = scene.ground, scene.vehicle

    def size(what: str, measure: str, low: float, tries: Floats) -> _Size:
        return _Size(what=what, at=partial(adjust, ground, measure), low=low, tries=tries)

    roads = np.arange(1.2 * car.length, 4 * car.length, 5 * _COARSE)
    match ground.goal:
        case Bay(width=width):
            # A standard's limits off the lines cannot be kept in the middle of a very wide bay:
            # the width that works is looked for upward from the one there is.
            wider = np.arange(width, min(6.0, 3 * car.width), _COARSE)
            aisles = np.arange(ground.road_width, 3 * car.length, 3 * _COARSE)
            return [
                size("bay width", "bay_width", max(1.8, car.width), wider),
                size("aisle", "aisle", max(3.0, car.width), aisles),
            ]
        case Turnabout():
            return [size("road width", "road_width", max(3.0, car.width), roads)]
        case Corner():
            wide = np.arange(ground.road_width, 4 * car.length, 5 * _COARSE)
            return [size("road width", "road_width", 3.0, wide)]
        case Kerbside():
            lengths = np.array([2.5 * car.length])
            return [_Size(what="gap", at=partial(with_behind, ground), low=1.02 * car.length,
                          tries=lengths)]  # fmt: skip
        case _:
            return []


_Change = Callable[[float], tuple[Scene, Given]]


def _candidates(scene: Scene, given: Given) -> list[tuple[str, float, _Change]]:
    def start_gap(metres: float) -> tuple[Scene, Given]:
        return scene, replace(given, gap=metres)

    def measured(name: str) -> _Change:
        return lambda metres: (replace(scene, ground=adjust(scene.ground, name, metres)), given)

    now = measures(scene.ground)
    if isinstance(scene.ground.goal, Bay):
        return [
            ("aisle", scene.ground.road_width, measured("aisle")),
            ("bay width", scene.ground.goal.width, measured("bay_width")),
        ]
    if isinstance(scene.ground.goal, Turnabout | Corner):
        return [("road width", scene.ground.road_width, measured("road_width"))]
    if "gap" in now:
        return [("gap", now["gap"], measured("gap")), ("start gap", given.gap, start_gap)]
    found: list[tuple[str, float, _Change]] = [("start gap", given.gap, start_gap)]
    if isinstance(scene.ground.goal, Kerbside):
        found.append(("gap ahead", scene.ground.goal.ahead_gap, measured("goal_ahead")))
    return found


def _works(change: _Change, value: float) -> bool:
    if not 0.3 <= value <= 40:
        return False
    return fit(*change(value)).feasible


def _least(what: str, value: float, sign: float, change: _Change) -> Remedy | None:
    low, high = 0.0, 0.1
    limit = _MOST if what in _ONLY_MORE else 0.8
    while not _works(change, value + sign * high):
        low, high = high, high * 2
        if high > limit:
            return None
    while high - low > _FINE:
        middle = (low + high) / 2
        if _works(change, value + sign * middle):
            high = middle
        else:
            low = middle
    return Remedy(what=what, to=value + sign * high, by=sign * high)
