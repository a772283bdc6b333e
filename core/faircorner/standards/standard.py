"""What a school holds an attempt against. Every rule is the school's own, dated figure."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import TypedDict

import numpy as np

from faircorner.errors import InputError
from faircorner.plane import Bools, Floats
from faircorner.said import Said
from faircorner.standards.draw import DrawRule
from faircorner.standards.finish import Finish
from faircorner.standards.measures import MEASURES, Measure
from faircorner.standards.rules import ROUNDING, EndRule, Limit, LookRule, ObservedRule, Rule

__all__ = ["Band", "MovementsLeft", "Standard"]

# Movements that may be taken in each gear where the standard does not count them.
_UNCOUNTED = 2


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
        return np.asarray(~(self.broken(finish) > ROUNDING))

    def broken(self, finish: Finish) -> Floats:
        """By how much each attempt is outside, (attempts,), SI, 0 inside; NaN not measured."""
        values = finish.measure(self.measure)
        if self.of.both_ways:
            values = np.abs(values)
        low = -np.inf if self.low is None else self.low
        high = np.inf if self.high is None else self.high
        return np.asarray(np.maximum(np.maximum(low - values, values - high), 0.0))


class MovementsLeft(TypedDict):
    """How many in each gear, and in both together; None where those are not limited."""

    forward: int
    reverse: int
    together: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Standard:
    """A named, dated standard: limits of what is measured and counted, and rules of what is seen.

    source : where its figures are from, in words
    small_allowed : how many small faults still meet it; points_allowed : where it counts points,
        how many of those do, and small faults are worth their rules' points instead
    mock : how a whole test is drawn, where the standard says so
    bands : what a finish without any fault keeps to
    """

    name: str
    authority: str
    dated: str
    limits: tuple[Limit, ...]
    looks: tuple[LookRule, ...] = ()
    observed: tuple[ObservedRule, ...] = ()
    at_end: tuple[EndRule, ...] = ()
    source: str = ""
    small_allowed: int = 2
    points_allowed: int | None = None
    mock: DrawRule | None = None
    bands: tuple[Band, ...] = field(init=False)

    def __post_init__(self) -> None:
        _once("limits", "measure", [(rule.measure, rule.phase) for rule in self.limits])
        _once("looks", "look", [(rule.look, rule.when, rule.phase) for rule in self.looks])
        _once("observed", "what", [(rule.what, rule.phase) for rule in self.observed])
        _once("at_end", "what", [(rule.what,) for rule in self.at_end])
        if not 0 <= self.small_allowed <= 50:
            raise InputError(
                "small_allowed", Said("must be between 0 and 50", got=self.small_allowed)
            )
        object.__setattr__(self, "bands", _bands(self.limits))

    @property
    def rules(self) -> tuple[Rule, ...]:
        """All of them, in the order in which they are told."""
        return (*self.limits, *self.looks, *self.observed, *self.at_end)

    def movements_left(self, *, forward: int, reverse: int) -> "MovementsLeft":
        """How many more movements pass without a serious fault, after so many in each gear."""

        def left(measure: str, used: int) -> int | None:
            limit = next((one for one in self.limits if one.measure == measure), None)
            most = None if limit is None else _most(limit)
            return None if most is None else max(0, int(most) - used)

        in_forward = left("forward_movements", forward)
        in_reverse = left("reverse_movements", reverse)
        return MovementsLeft(
            forward=_UNCOUNTED if in_forward is None else in_forward,
            reverse=_UNCOUNTED if in_reverse is None else in_reverse,
            together=left("movements", forward + reverse),
        )


def _most(limit: Limit) -> float | None:
    """The most that is no serious fault yet, else no fault at all."""
    ranges = [bounds for bounds in (limit.serious, limit.small) if bounds is not None]
    return next((bounds[1] for bounds in ranges if bounds[1] is not None), None)


def _once(where: str, field_name: str, keys: Sequence[tuple[str | None, ...]]) -> None:
    for i, key in enumerate(keys):
        if key in keys[:i]:
            name = " ".join(part for part in key if part)
            raise InputError(f"{where}[{i}].{field_name}", Said("has a limit already", name=name))


def _bands(limits: tuple[Limit, ...]) -> tuple[Band, ...]:
    """The small faults' ranges of what is taped, in the order of the measures."""
    small = {limit.measure: limit.small for limit in limits if limit.small is not None}
    return tuple(
        Band(measure=m.name, low=small[m.name][0], high=small[m.name][1])
        for m in MEASURES.values()
        if m.taped is not None and m.name in small
    )
