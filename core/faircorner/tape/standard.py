"""What a school holds an attempt against. Every limit is the school's own, dated figure."""

from dataclasses import dataclass
from typing import Literal, TypeAlias, get_args

from faircorner.errors import InputError
from faircorner.ground import MEASURES, Band

__all__ = ["COUNTS", "GRADES", "Grade", "Limit", "Standard"]

Grade: TypeAlias = Literal["small", "serious", "ends"]
GRADES: tuple[Grade, ...] = get_args(Grade)
COUNTS = (
    "forward_movements",
    "reverse_movements",
    "looks_missed",
    "looks_late",
    "prompts",
    "kerb_touches",
    "kerb_mounts",
    "vehicle_touches",
    "seconds",
)

# Movements that may be taken in each gear where the standard does not count them.
_UNCOUNTED = 2

Range: TypeAlias = tuple[float | None, float | None]


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
        if self.measure not in (*MEASURES, *COUNTS):
            known = ", ".join((*MEASURES, *COUNTS))
            raise InputError("measure", f"{self.measure!r} is not one of {known}")
        inner: Range = (None, None)
        for grade in GRADES:
            bounds = self.range(grade)
            if bounds is None:
                continue
            low, high = bounds
            if low is not None and high is not None and low > high:
                raise InputError(grade, f"low {low:g} is above high {high:g}")
            if low is not None and inner[0] is not None and low > inner[0]:
                raise InputError(grade, "must not begin before the milder fault does")
            if high is not None and inner[1] is not None and high < inner[1]:
                raise InputError(grade, "must not begin before the milder fault does")
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
            if (low is not None and value < low) or (high is not None and value > high):
                worst = grade
        return worst


@dataclass(frozen=True, slots=True, kw_only=True)
class Standard:
    """A named, dated standard; small_allowed is how many small faults still meet it."""

    name: str
    authority: str
    dated: str
    limits: tuple[Limit, ...]
    small_allowed: int = 2

    def __post_init__(self) -> None:
        names = [limit.measure for limit in self.limits]
        for i, name in enumerate(names):
            if name in names[:i]:
                raise InputError(f"limits[{i}].measure", f"{name} has a limit already")
        if not 0 <= self.small_allowed <= 50:
            raise InputError("small_allowed", f"must be between 0 and 50, got {self.small_allowed}")

    def movements_left(self, gear: Literal["forward", "reverse"], used: int) -> int:
        """How many more movements in a gear pass without a serious fault."""
        for limit in self.limits:
            if limit.measure == f"{gear}_movements":
                for bounds in (limit.serious, limit.small):
                    if bounds is not None and bounds[1] is not None:
                        return max(0, int(bounds[1]) - used)
        return _UNCOUNTED

    def bands(self) -> tuple[Band, ...]:
        """What a finish without any fault keeps to."""
        found: list[Band] = []
        for measure in MEASURES:
            for limit in self.limits:
                if limit.measure == measure and limit.small is not None:
                    found.append(Band(measure=measure, low=limit.small[0], high=limit.small[1]))
        return tuple(found)
