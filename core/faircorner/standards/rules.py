"""The kinds of rules that a standard is made of, each held against one attempt.

Another kind is another class here, its document in `documents/standard.py`, and its words.
"""

from dataclasses import dataclass
from math import ceil, isnan
from typing import Literal, TypeAlias, get_args

from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.standards.finish import Finish
from faircorner.standards.measures import MEASURES, Measure, measure_named
from faircorner.standards.noted import LookNoted, Noted
from faircorner.standards.observed import AtEnd, Observed, Passed, Phase

__all__ = [
    "GRADES",
    "ROUNDING",
    "SWING_SIDE",
    "WHEN",
    "EndRule",
    "Finding",
    "Grade",
    "Limit",
    "LookRule",
    "ObservedRule",
    "Range",
    "Rule",
    "When",
]

Grade: TypeAlias = Literal["small", "serious", "ends"]
GRADES: tuple[Grade, ...] = get_args(Grade)
# When a look is a fault: each that was missed, late or prompted, or none of the kind ever done.
When: TypeAlias = Literal["missed", "late", "prompted", "never"]
WHEN: tuple[When, ...] = get_args(When)
SWING_SIDE = "swing side"

# A tenth of a millimetre over a limit is the rounding of a figure that meant the limit itself; of
# angles as much in radians.
ROUNDING = 1e-4

Range: TypeAlias = tuple[float | None, float | None]


@dataclass(frozen=True, slots=True, kw_only=True)
class Finding:
    """One rule beside what was found; value None when it was not measured and so not judged.

    faults : how many of the grade it is; unwatched : how many things nobody noted that it asks for
    by : what would have to be added to the value to be without fault, 0 where it is
    """

    rule: "Rule"
    value: float | None
    grade: Grade | None = None
    faults: int = 0
    unwatched: int = 0
    by: float = 0.0

    @property
    def points(self) -> int:
        """What it costs where a standard counts points: small faults alone do."""
        return self.faults * self.rule.points if self.grade == "small" else 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Limit:
    """One measure and, for each grade of fault, the range outside which it is that fault.

    Finish measures in SI, counts as they are. Ranges must widen from small to ends.
    phase : of looks, the phase whose looks are counted; points : what one small fault costs
    each : whether each one too many is a small fault of its own
    passed : what it means for the rest of the attempt once the figure is outside
    """

    measure: str
    small: Range | None = None
    serious: Range | None = None
    ends: Range | None = None
    phase: Phase | None = None
    each: bool = False
    points: int = 1
    passed: Passed | None = None

    def __post_init__(self) -> None:
        measure_named(self.measure)
        if self.phase is not None and not self.of.of_looks:
            raise InputError("phase", Said("only looks have it", name=self.measure))
        if self.each and self.of.unit != "count":
            raise InputError("each", Said("only what is counted", name=self.measure))
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

    @property
    def of(self) -> Measure:
        return MEASURES[self.measure]

    def range(self, grade: Grade) -> Range | None:
        found: Range | None = getattr(self, grade)
        return found

    def grade(self, value: float) -> Grade | None:
        """The worst grade of fault a value earns; None when it is good."""
        broken = [grade for grade in GRADES if self._outside(grade, value)]
        return broken[-1] if broken else None

    def judged(self, finish: Finish, noted: Noted | None) -> Finding:
        value = self._value(finish, noted)
        if isnan(value):
            return Finding(rule=self, value=None, unwatched=int(self.of.on_the_way))
        within = noted.within(self.phase) if noted and self.of.of_looks else None
        grade = self.grade(value)
        # The mildest range that is broken is the one that would leave it without fault.
        by = next((out for g in GRADES if (out := self._outside(g, value))), 0.0)
        return Finding(
            rule=self,
            value=value,
            grade=grade,
            faults=self._faults(grade, by),
            unwatched=len(within.unwatched) if within else 0,
            by=by,
        )

    def _value(self, finish: Finish, noted: Noted | None) -> float:
        if self.of.taped is not None:
            value = float(finish.measure(self.measure)[0])
            return abs(value) if self.of.both_ways else value
        if noted is None or self.of.noted is None:
            return float("nan")
        return float(self.of.noted(noted.within(self.phase)))

    def _faults(self, grade: Grade | None, by: float) -> int:
        if grade == "small" and self.each:
            return ceil(abs(by) - ROUNDING)
        return int(grade is not None)

    def _outside(self, grade: Grade, value: float) -> float:
        """What is wanting to a grade's range, signed; 0 inside."""
        low, high = self.range(grade) or (None, None)
        if low is not None and value < low - ROUNDING:
            return low - value
        if high is not None and value > high + ROUNDING:
            return high - value
        return 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class LookRule:
    """A look that weighs by itself: look names a kind, `SWING_SIDE` those to wherever an end of the
    vehicle is about to swing, None any of them.

    never : a single fault where each look of the kind was missed, none done at any time; a look
    all round is one in each direction
    """

    look: str | None
    when: When
    grade: Grade
    phase: Phase | None = None
    points: int = 1

    def judged(self, finish: Finish, noted: Noted | None) -> Finding:
        """Not judged where the sheet has no such look, nor, for never, while one is not noted."""
        of = [] if noted is None else self._meant(noted)
        if self.when == "never":
            of += self._all_round(noted, besides=of)
        open_looks = sum(look.became is None for look in of)
        if self.when == "never":
            missed = bool(of) and all(look.became == "missed" for look in of)
            known = missed or any(look.became not in (None, "missed") for look in of)
            value = float(missed) if known else None
            unwatched = 0 if known else open_looks
        else:
            value = float(sum(look.became == self.when for look in of)) if of else None
            unwatched = open_looks
        return _counted(self, value, unwatched=unwatched)

    def _all_round(self, noted: Noted | None, *, besides: list[LookNoted]) -> list[LookNoted]:
        """Looks all round, where looks in one direction are meant and there are any."""
        if noted is None or not besides or self.look in (None, "all round"):
            return []
        return [look for look in noted.within(self.phase).looks if look.look == "all round"]

    def _meant(self, noted: Noted) -> list[LookNoted]:
        looks = noted.within(self.phase).looks
        if self.look == SWING_SIDE:
            return [look for look in looks if look.swings]
        return [look for look in looks if self.look in (None, look.look)]


@dataclass(frozen=True, slots=True, kw_only=True)
class ObservedRule:
    """Something that is a fault when it is observed, beyond so many that are free.

    phase : the one in which it is a fault, None any; repeated : from how many on it fails
    """

    what: Observed
    grade: Grade
    phase: Phase | None = None
    free: int = 0
    repeated: int | None = None
    points: int = 1

    def __post_init__(self) -> None:
        if self.repeated is not None and self.repeated <= self.free:
            raise InputError("repeated", Said("more than are free", free=self.free))

    def judged(self, finish: Finish, noted: Noted | None) -> Finding:
        """Not judged where it was not watched for."""
        times = None if noted is None else noted.times(self.what, self.phase)
        if times is None:
            return Finding(rule=self, value=None, unwatched=1)
        fails = self.repeated is not None and times >= self.repeated and self.grade == "small"
        return _counted(self, float(times), free=self.free, fails=fails)


@dataclass(frozen=True, slots=True, kw_only=True)
class EndRule:
    """What must be so once the driver says that it is done."""

    what: AtEnd
    grade: Grade
    points: int = 1

    @property
    def phase(self) -> Phase:
        return "leaving" if self.what == "left again" else "finish"

    def judged(self, finish: Finish, noted: Noted | None) -> Finding:
        """Its value is 1 where it was not so; not judged where nobody noted whether it was."""
        so = None if noted is None else noted.at_end.get(self.what)
        return _counted(self, None if so is None else float(not so), unwatched=int(so is None))


Rule: TypeAlias = Limit | LookRule | ObservedRule | EndRule


def _counted(
    rule: LookRule | ObservedRule | EndRule,
    times: float | None,
    *,
    free: int = 0,
    unwatched: int = 0,
    fails: bool = False,
) -> Finding:
    """What was so a number of times: each beyond the free ones a fault."""
    over = max(0, int(times) - free) if times is not None else 0
    if not over:
        return Finding(rule=rule, value=times, unwatched=unwatched)
    return Finding(
        rule=rule,
        value=times,
        grade="serious" if fails else rule.grade,
        faults=1 if fails else over,
        unwatched=unwatched,
        by=-float(over),
    )
