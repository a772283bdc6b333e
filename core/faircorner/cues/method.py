"""A method: where to start, and steps that each wait for something; see method.schema.json.

Methods speak of the kerb, or the bay: *toward* and *away*. The sums always have it on the left, so
that toward is left, positive; `faircorner.sides` sees to that.
"""

from dataclasses import dataclass, field
from typing import Literal, TypeAlias

from faircorner.cues.events import Event
from faircorner.cues.fitted import Unknown
from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.standards import Look

__all__ = ["Method", "Start", "Step", "Way", "Wheel", "movements"]

Way: TypeAlias = Literal["toward", "away", "straight"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Wheel:
    """Where the wheel goes: a way, and how much of the lock (0 to 1), or a set number of turns."""

    way: Way
    of_lock: float | Unknown = 1.0
    turns: float | None = None

    def __post_init__(self) -> None:
        if self.turns is not None and not 0 < self.turns <= 10:
            raise InputError("turns", Said("turns above 0 and at most 10", got=self.turns))
        amount = self.of_lock
        least, most = (amount.low, amount.high) if isinstance(amount, Unknown) else (amount, amount)
        if not (least > 0 and most <= 1):
            raise InputError("of_lock", Said("share above 0 and at most 1", got=least, most=most))

    @property
    def sign(self) -> int:
        """Which way the wheel goes with the kerb on the left: toward is left, positive."""
        return {"toward": 1, "away": -1, "straight": 0}[self.way]

    def share(self, lock: float) -> float | Unknown:
        """How much of a lock of so many turns, 0 to 1."""
        return self.of_lock if self.turns is None else self.turns / lock


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One thing to do: a gear, a wheel, an end, and the looks that come before it.

    say : as somebody wrote it, or as the core says it
    """

    name: str
    say: str | Said
    direction: int
    wheel: Wheel
    until: Event
    looks: tuple[Look, ...] = ()
    standing: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Start:
    """Where to stop before the first step: `own` so many metres behind `landmark`, and the gap.

    gap : m between the vehicle's flank and the parked one's, or the line of the bays' mouths
    """

    own: str
    landmark: str
    metres: float | Unknown
    gap: float | Unknown


@dataclass(frozen=True, slots=True, kw_only=True)
class Method:
    """A named way to do a manoeuvre, independent of vehicle and place.

    turns_per_metre : how fast the hands turn the wheel for each metre rolled
    references : whether it teaches cues to line up, or outcomes to watch
    unknowns : every figure to be fitted, once, in the order in which the driver meets them
    """

    name: str
    manoeuvre: str
    start: Start
    steps: tuple[Step, ...]
    turns_per_metre: float = 2.0
    references: bool = True
    unknowns: tuple[Unknown, ...] = field(init=False)

    def __post_init__(self) -> None:
        if not self.steps:
            raise InputError("steps", Said("needs at least one step"))
        fitted = dict.fromkeys(f for f in self.figures if isinstance(f, Unknown))
        object.__setattr__(self, "unknowns", tuple(fitted))
        named = [u.name for u in self.unknowns]
        for name in named:
            if named.count(name) > 1:
                raise InputError("steps", Said("is to be fitted twice", name=name))
        for i, step in enumerate(self.steps):
            if step.until.settles_next and i + 1 == len(self.steps):
                raise InputError(
                    f"steps[{i}].until",
                    Said("heading as last step"),
                )
            if step.standing and step.until.sets_the_wheel:
                raise InputError(
                    f"steps[{i}].until",
                    Said("a wheel turned standing"),
                )

    @property
    def figures(self) -> list[float | Unknown]:
        """Every figure there is, given or to be fitted, in the order in which they are met."""
        met: list[float | Unknown] = [self.start.gap, self.start.metres]
        for step in self.steps:
            met += [step.wheel.of_lock, step.until.figure()]
        return met


def movements(steps: tuple[Step, ...], direction: int) -> int:
    """How many stretches of steps are in one gear, forward (1) or reverse (-1)."""
    gears = [step.direction for step in steps]
    begun = [gear for gear, before in zip(gears, [0, *gears], strict=False) if gear != before]
    return begun.count(direction)
