"""fair-corner/standard@1: a school's own dated limits."""

from math import radians
from typing import Annotated, Literal

from pydantic import Field

from faircorner.documents.model import Model, Name, inside
from faircorner.tape import Limit, Standard
from faircorner.tape.standard import Range

__all__ = ["LIMIT_UNITS", "StandardDocument"]

MeasureName = Literal[
    "kerb_front_m", "kerb_rear_m", "angle_deg", "ahead_m", "behind_m",
    "forward_movements", "reverse_movements", "looks_missed", "looks_late", "prompts",
    "kerb_touches", "kerb_mounts", "vehicle_touches", "seconds",
]  # fmt: skip
RangeModel = Annotated[tuple[float | None, float | None], Field(strict=False)]

# How each document name is called and scaled inside.
LIMIT_UNITS: dict[str, tuple[str, float]] = {
    "kerb_front_m": ("kerb_front", 1.0),
    "kerb_rear_m": ("kerb_rear", 1.0),
    "angle_deg": ("angle", radians(1.0)),
    "ahead_m": ("ahead", 1.0),
    "behind_m": ("behind", 1.0),
}


class LimitModel(Model):
    """A value outside a range is a fault of that grade; null leaves an end open."""

    measure: MeasureName
    small: RangeModel | None = None
    serious: RangeModel | None = None
    ends: RangeModel | None = None

    def build(self) -> Limit:
        name, unit = LIMIT_UNITS.get(self.measure, (self.measure, 1.0))

        def scaled(bounds: RangeModel | None) -> Range | None:
            if bounds is None:
                return None
            low, high = bounds
            return (
                None if low is None else low * unit,
                None if high is None else high * unit,
            )

        return Limit(
            measure=name,
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
