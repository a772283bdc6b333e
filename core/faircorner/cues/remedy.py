"""When a method cannot work here: the least change that would make it."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.fit import Given, fit
from faircorner.cues.outcome import Case
from faircorner.ground import Bay, adjust, measures, with_behind

__all__ = ["Remedy", "least_change", "least_gap"]

# Changes are tried up to this much, and told to this much, m.
_MOST, _FINE = 3.2, 0.02
# Widths of bay are tried this far apart, m.
_COARSE = 0.2
# What is only ever too small.
_ONLY_MORE = ("gap", "aisle", "bay width")


@dataclass(frozen=True, slots=True, kw_only=True)
class Remedy:
    """One figure to change: "gap" between parked vehicles, "start gap", "gap ahead", "aisle" or
    "bay width"; metres.

    to : what it should be; by : the change
    """

    what: str
    to: float
    by: float


def least_change(case: Case, given: Given) -> Remedy | None:
    """The smallest single change that makes the fit feasible; None when none of them does.

    Each candidate is grown until it works and halved back to 2 cm; the answer has been fitted,
    so that making the change is known to do.
    """
    found = [
        remedy
        for what, value, change in _candidates(case, given)
        for sign in ((1.0,) if what in _ONLY_MORE else (1.0, -1.0))
        for remedy in [_least(what, value, sign, change)]
        if remedy is not None
    ]
    return min(found, key=lambda r: abs(r.by), default=None)


def least_gap(case: Case, given: Given) -> float | None:
    """The least gap between two parked vehicles, or width of bay; see `plan.make_least_gap`."""
    goal = case.ground.goal
    bay = isinstance(goal, Bay)

    def works(metres: float) -> bool:
        ground = case.ground
        place = adjust(ground, "bay_width", metres) if bay else with_behind(ground, metres)
        return fit(replace(case, ground=place), given).feasible

    if isinstance(goal, Bay):
        # A standard's limits off the lines cannot be kept in the middle of a very wide bay:
        # the width that works is looked for upward from the one there is.
        low, wide = max(1.8, case.vehicle.width), min(6.0, 3 * case.vehicle.width)
        tries = np.arange(goal.width, wide, _COARSE)
    else:
        low, tries = 1.02 * case.vehicle.length, np.array([2.5 * case.vehicle.length])
    high = next((float(metres) for metres in tries if works(float(metres))), None)
    if high is None:
        return None
    while high - low > _FINE:
        middle = (low + high) / 2
        low, high = (low, middle) if works(middle) else (middle, high)
    return high


_Change = Callable[[float], tuple[Case, Given]]


def _candidates(case: Case, given: Given) -> list[tuple[str, float, _Change]]:
    def start_gap(metres: float) -> tuple[Case, Given]:
        return case, replace(given, gap=metres)

    def measured(name: str) -> _Change:
        return lambda metres: (replace(case, ground=adjust(case.ground, name, metres)), given)

    now = measures(case.ground)
    if isinstance(case.ground.goal, Bay):
        return [
            ("aisle", case.ground.road_width, measured("aisle")),
            ("bay width", case.ground.goal.width, measured("bay_width")),
        ]
    if "gap" in now:
        return [("gap", now["gap"], measured("gap")), ("start gap", given.gap, start_gap)]
    return [
        ("start gap", given.gap, start_gap),
        ("gap ahead", case.ground.goal.gap, measured("goal_ahead")),
    ]


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
