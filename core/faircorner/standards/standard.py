"""What a school holds an attempt against. Every limit is the school's own, dated figure."""

from dataclasses import dataclass, field
from typing import Literal, TypeAlias, get_args

import numpy as np

from faircorner.errors import InputError
from faircorner.plane import Bools, Floats
from faircorner.said import Said
from faircorner.standards.finish import Finish
from faircorner.standards.measures import MEASURES, Measure, measure_named

__all__ = ["GRADES", "Band", "Grade", "Limit", "Range", "Standard"]

Grade: TypeAlias = Literal["small", "serious", "ends"]
GRADES: tuple[Grade, ...] = get_args(Grade)

# A tenth of a millimetre over a limit is the rounding of a figure that meant the limit itself; of
# angles as much in radians.
_ROUNDING = 1e-4
# Movements that may be taken in each gear where the standard does not count them.
_UNCOUNTED = 2

Range: TypeAlias = tuple[float | None, float | None]


@dataclass(frozen=True, slots=True, kw_only=True)
class Band:
    """A measure that must end between two limits, both included; SI, None for no limit."""

    measure: str
    low: float | None = None
    high: float | None = None

    def __post_init__(self) -> None:
        if self.low is not None and self.high is not None and self.low > self.high:
            raise InputError(self.measure, Said("low is above high", low=self.low, high=self.high))

    @property
    def of(self) -> Measure:
        return MEASURES[self.measure]

    def holds(self, finish: Finish) -> Bools:
        """Which attempts keep the limits; what is not there to be measured counts as kept."""
        return np.asarray(~(self.broken(finish) > _ROUNDING))

    def broken(self, finish: Finish) -> Floats:
        """By how much each attempt is outside, (attempts,), SI, 0 inside; NaN not measured."""
        values = finish.measure(self.measure)
        if self.of.both_ways:
            values = np.abs(values)
        low = -np.inf if self.low is None else self.low
        high = np.inf if self.high is None else self.high
        return np.asarray(np.maximum(np.maximum(low - values, values - high), 0.0))


@dataclass(frozen=True, slots=True, kw_only=True)
class Limit:
    """One measure and, for each grade of fault, the range outside which it is that fault.

    Finish measures in SI, counts as they are. Ranges must widen from small to ends.
    """

    measure: str
    small: Range | None = None
    serious: Range | None = None
    ends: Range | None = None

    def __post_init__(self) -> None:
        measure_named(self.measure)
        inner: Range = (None, None)
        for grade in GRADES:
            bounds = self.range(grade)
            if bounds is None:
                continue
            low, high = bounds
            if low is not None and high is not None and low > high:
                raise InputError(grade, Said("low is above high", low=low, high=high))
            if low is not None and inner[0] is not None and low > inner[0]:
                raise InputError(grade, Said("must not begin before"))
            if high is not None and inner[1] is not None and high < inner[1]:
                raise InputError(grade, Said("must not begin before"))
            inner = (
                low if low is not None else inner[0],
                high if high is not None else inner[1],
            )

    def range(self, grade: Grade) -> Range | None:
        found: Range | None = getattr(self, grade)
        return found

    def grade(self, value: float) -> Grade | None:
        """The worst grade of fault a value earns; None when it is good."""
        worst: Grade | None = None
        for grade in GRADES:
            low, high = self.range(grade) or (None, None)
            below = low is not None and value < low - _ROUNDING
            if below or (high is not None and value > high + _ROUNDING):
                worst = grade
        return worst


@dataclass(frozen=True, slots=True, kw_only=True)
class Standard:
    """A named, dated standard; small_allowed is how many small faults still meet it.

    bands : what a finish without any fault keeps to
    """

    name: str
    authority: str
    dated: str
    limits: tuple[Limit, ...]
    small_allowed: int = 2
    bands: tuple[Band, ...] = field(init=False)

    def __post_init__(self) -> None:
        names = [limit.measure for limit in self.limits]
        for i, name in enumerate(names):
            if name in names[:i]:
                raise InputError(f"limits[{i}].measure", Said("has a limit already", name=name))
        if not 0 <= self.small_allowed <= 50:
            raise InputError(
                "small_allowed", Said("must be between 0 and 50", got=self.small_allowed)
            )
        object.__setattr__(self, "bands", _bands(self.limits))

    def movements_left(self, gear: Literal["forward", "reverse"], used: int) -> int:
        """How many more movements in a gear pass without a serious fault."""
        for limit in self.limits:
            if limit.measure == f"{gear}_movements":
                for bounds in (limit.serious, limit.small):
                    if bounds is not None and bounds[1] is not None:
                        return max(0, int(bounds[1]) - used)
        return _UNCOUNTED


def _bands(limits: tuple[Limit, ...]) -> tuple[Band, ...]:
    """The small faults' ranges of what is taped, in the order of the measures."""
    small = {limit.measure: limit.small for limit in limits if limit.small is not None}
    return tuple(
        Band(measure=m.name, low=small[m.name][0], high=small[m.name][1])
        for m in MEASURES.values()
        if m.taped is not None and m.name in small
    )
