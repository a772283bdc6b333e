"""A method: where to start, and steps that each wait for something. docs/formats/method.md.

Methods speak of the kerb: *toward* and *away*. The sums always have the kerb on the left, so
that toward is left, positive; `Ground.kerb_on_left` is the only place that knows sides.
"""

from dataclasses import dataclass
from typing import Literal, TypeAlias

from faircorner.errors import InputError

__all__ = [
    "Look",
    "Method",
    "Start",
    "Step",
    "Unknown",
    "Until",
    "UntilKind",
    "Way",
    "Wheel",
]

Way: TypeAlias = Literal["toward", "away", "straight"]
Look: TypeAlias = Literal["all round", "off side", "near side", "behind", "nose"]
UntilKind: TypeAlias = Literal["travelled", "heading", "abeam", "kerb", "wheel set"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Unknown:
    """A figure of the method that belongs to the vehicle: the fit finds it between limits.

    Metres or radians; prefer is where the school would have it, all else being equal.
    """

    name: str
    low: float
    high: float
    prefer: float

    def __post_init__(self) -> None:
        if not self.low <= self.prefer <= self.high or self.low == self.high:
            raise InputError(
                "prefer",
                f"low, prefer and high must rise: {self.low:g}, {self.prefer:g}, {self.high:g}",
            )


@dataclass(frozen=True, slots=True, kw_only=True)
class Until:
    """What ends a step.

    travelled : m rolled
    heading : rad to the kerb, nose away positive, once the *next* step's wheel has settled
    abeam : m that `own` stands behind `landmark`, along the kerb
    kerb : m from `own` to the kerb
    wheel set : as soon as the wheel has reached this step's amount
    """

    kind: UntilKind
    value: float | Unknown = 0.0
    own: str = ""
    landmark: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Wheel:
    """Where the wheel goes: a way, and how much of the lock (0 to 1)."""

    way: Way
    of_lock: float = 1.0

    def __post_init__(self) -> None:
        if not 0 < self.of_lock <= 1:
            raise InputError("of_lock", f"must be above 0 and at most 1, got {self.of_lock:g}")

    def turns(self, lock: float) -> float:
        """Hand-wheel turns with the kerb on the left."""
        return {"toward": 1, "away": -1, "straight": 0}[self.way] * self.of_lock * lock


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One thing to do: a gear, a wheel, an end, and the looks that come before it."""

    name: str
    say: str
    direction: int
    wheel: Wheel
    until: Until
    looks: tuple[Look, ...] = ()
    standing: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Start:
    """Where to stop before the first step: `own` so many metres behind `landmark`, and the gap.

    gap : m between the vehicle's flank and the parked one's
    """

    own: str
    landmark: str
    metres: float
    gap: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Method:
    """A named way to do a manoeuvre, independent of vehicle and place.

    turns_per_metre : how fast the hands turn the wheel for each metre rolled
    """

    name: str
    manoeuvre: str
    start: Start
    steps: tuple[Step, ...]
    turns_per_metre: float = 2.0

    def __post_init__(self) -> None:
        if not self.steps:
            raise InputError("steps", "needs at least one step")
        names = [u.name for u in self.unknowns]
        if len(set(names)) != len(names):
            raise InputError("steps", "two figures to be fitted have the same name")
        for i, step in enumerate(self.steps):
            if step.until.kind == "heading" and i + 1 == len(self.steps):
                raise InputError(
                    f"steps[{i}].until",
                    "a heading settles in the next step; add a straight one",
                )
            if step.standing and step.until.kind == "wheel set":
                raise InputError(
                    f"steps[{i}].until",
                    "a wheel turned standing is set before the step rolls",
                )

    @property
    def unknowns(self) -> tuple[Unknown, ...]:
        return tuple(s.until.value for s in self.steps if isinstance(s.until.value, Unknown))
