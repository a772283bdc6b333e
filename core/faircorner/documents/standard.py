"""fair-corner/standard@1: a school's own dated rules."""

from collections.abc import Sequence
from typing import TYPE_CHECKING, Annotated, Literal, Protocol, TypeAlias, TypeVar, get_args

from pydantic import Field

from faircorner.model import Model, Name, inside
from faircorner.standards import (
    JUDGED_MANOEUVRES,
    MANOEUVRES,
    MEASURES,
    SWING_SIDE,
    AtEnd,
    DrawRule,
    EndRule,
    Grade,
    Limit,
    Look,
    LookRule,
    MirrorLook,
    Observed,
    ObservedRule,
    Passed,
    Phase,
    Range,
    Standard,
    When,
)

__all__ = ["JUDGED_LOOKS", "ManoeuvreName", "StandardDocument"]

# What a rule may say of looks, besides any of them.
JUDGED_LOOKS: tuple[str, ...] = (*get_args(Look), *get_args(MirrorLook), SWING_SIDE)
if TYPE_CHECKING:
    MeasureName: TypeAlias = str
    LookName: TypeAlias = str
    Manoeuvre: TypeAlias = str
    ManoeuvreName: TypeAlias = str
else:
    MeasureName = Literal[tuple(measure.outward for measure in MEASURES.values())]
    LookName = Literal[JUDGED_LOOKS]
    Manoeuvre = Literal[JUDGED_MANOEUVRES]
    # A standard may be for bays either way; a method goes in one of them.
    ManoeuvreName = Literal[tuple(name for name in MANOEUVRES if name != "bay")]
_OUTWARD = {measure.outward: measure for measure in MEASURES.values()}
RangeModel = Annotated[tuple[float | None, float | None], Field(strict=False)]
Points = Annotated[int, Field(ge=0, le=100)]
Times = Annotated[int, Field(ge=0, le=50)]


class LimitModel(Model):
    """A value outside a range is a fault of that grade; null leaves an end open.

    each : every one too many is a small fault of its own; points : what a small fault costs where
    points are counted; phase : of looks, the phase that is meant; passed : what being outside means
    for the rest of the attempt
    """

    measure: MeasureName
    small: RangeModel | None = None
    serious: RangeModel | None = None
    ends: RangeModel | None = None
    phase: Phase | None = None
    each: bool = False
    points: Points = 1
    passed: Passed | None = None

    def build(self) -> Limit:
        measure = _OUTWARD[self.measure]

        def scaled(bounds: RangeModel | None) -> Range | None:
            if bounds is None:
                return None
            low, high = bounds
            return (
                None if low is None else low * measure.one,
                None if high is None else high * measure.one,
            )

        return Limit(
            measure=measure.name,
            small=scaled(self.small),
            serious=scaled(self.serious),
            ends=scaled(self.ends),
            phase=self.phase,
            each=self.each,
            points=self.points,
            passed=self.passed,
        )


class LookRuleModel(Model):
    """Looks of a kind, null any: each that was missed, late or prompted, or none ever done."""

    look: LookName | None = None
    when: When
    grade: Grade
    phase: Phase | None = None
    points: Points = 1

    def build(self) -> LookRule:
        return LookRule(**self.model_dump())


class ObservedRuleModel(Model):
    """A fault when it is seen; so many are free, and from `repeated` on a small one fails."""

    what: Observed
    grade: Grade
    phase: Phase | None = None
    free: Times = 0
    repeated: Times | None = None
    points: Points = 1

    def build(self) -> ObservedRule:
        return ObservedRule(**self.model_dump())


class EndRuleModel(Model):
    """What must be so at the end."""

    what: AtEnd
    grade: Grade
    points: Points = 1

    def build(self) -> EndRule:
        return EndRule(**self.model_dump())


Built_co = TypeVar("Built_co", covariant=True)


class _Builds(Protocol[Built_co]):
    def build(self) -> Built_co: ...


def _built(where: str, rules: Sequence[_Builds[Built_co]]) -> tuple[Built_co, ...]:
    built = []
    for i, rule in enumerate(rules):
        with inside(f"{where}[{i}]"):
            built.append(rule.build())
    return tuple(built)


class DrawRuleModel(Model):
    """How a test is drawn: so many exercises of these manoeuvres, so many of them in reverse, none
    twice in a row; and what is allowed over the whole of it, null where that is not limited."""

    number: Annotated[int, Field(ge=1, le=10)]
    of: Annotated[list[ManoeuvreName], Field(min_length=1, max_length=20)]
    in_reverse: Annotated[int, Field(ge=0, le=10)] = 1
    small_allowed: Annotated[int, Field(ge=0, le=500)] | None = None
    points_allowed: Annotated[int, Field(ge=0, le=10_000)] | None = None

    def build(self) -> DrawRule:
        return DrawRule(**{**self.model_dump(), "of": tuple(self.of)})


class StandardDocument(Model):
    """What an attempt is held against. The figures are the school's, not the product's.

    kerb_front_m and kerb_rear_m are to the kerb, or in a bay to the near line; ahead_m and
    behind_m to the parked vehicles, or to the bay's head and mouth. What is measured on the way:
    start_gap_m beside the vehicle at the first stop; furthest_back_m how far it reversed from
    there; kerb_nearest_m and kerb_farthest_m to the kerb while it moved; swing_out_m how far an end
    of it swung out of its lane.
    source : where the figures are from, in words; points_allowed : null where small faults are
    counted instead of points
    """

    format: Literal["fair-corner/standard@1"]
    name: Name
    authority: Name
    dated: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")]
    source: Annotated[str, Field(max_length=2000)] = ""
    manoeuvre: Manoeuvre
    limits: Annotated[list[LimitModel], Field(min_length=1, max_length=60)]
    looks: Annotated[list[LookRuleModel], Field(max_length=40)] = []
    observed: Annotated[list[ObservedRuleModel], Field(max_length=80)] = []
    at_end: Annotated[list[EndRuleModel], Field(max_length=20)] = []
    small_allowed: int = 2
    points_allowed: Annotated[int, Field(ge=0, le=1000)] | None = None
    mock: DrawRuleModel | None = None

    def build(self) -> Standard:
        return Standard(
            name=self.name,
            authority=self.authority,
            dated=self.dated,
            source=self.source,
            limits=_built("limits", self.limits),
            looks=_built("looks", self.looks),
            observed=_built("observed", self.observed),
            at_end=_built("at_end", self.at_end),
            small_allowed=self.small_allowed,
            points_allowed=self.points_allowed,
            mock=self._mock(),
        )

    def _mock(self) -> DrawRule | None:
        if self.mock is None:
            return None
        with inside("mock"):
            return self.mock.build()
