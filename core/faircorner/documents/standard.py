"""fair-corner/standard@1: a school's own dated limits."""

from typing import TYPE_CHECKING, Annotated, Literal, TypeAlias

from pydantic import Field

from faircorner.model import Model, Name, inside
from faircorner.standards import MEASURES, Limit, Range, Standard

__all__ = ["StandardDocument"]

if TYPE_CHECKING:
    MeasureName: TypeAlias = str
else:
    MeasureName = Literal[tuple(measure.outward for measure in MEASURES.values())]
_OUTWARD = {measure.outward: measure for measure in MEASURES.values()}
RangeModel = Annotated[tuple[float | None, float | None], Field(strict=False)]


class LimitModel(Model):
    """A value outside a range is a fault of that grade; null leaves an end open."""

    measure: MeasureName
    small: RangeModel | None = None
    serious: RangeModel | None = None
    ends: RangeModel | None = None

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
        )


class StandardDocument(Model):
    """What an attempt is held against. The figures are the school's, not the product's.

    kerb_front_m and kerb_rear_m are to the kerb, or in a bay to the near line; ahead_m and
    behind_m to the parked vehicles, or to the bay's head and mouth.
    """

    format: Literal["fair-corner/standard@1"]
    name: Name
    authority: Name
    dated: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")]
    manoeuvre: Literal[
        "reverse parallel", "bay", "turn in the road", "reverse round a corner", "kerbside stop",
    ]  # fmt: skip
    limits: Annotated[list[LimitModel], Field(min_length=1, max_length=40)]
    small_allowed: int = 2

    def build(self) -> Standard:
        limits = []
        for i, limit in enumerate(self.limits):
            with inside(f"limits[{i}]"):
                limits.append(limit.build())
        return Standard(
            name=self.name,
            authority=self.authority,
            dated=self.dated,
            limits=tuple(limits),
            small_allowed=self.small_allowed,
        )
