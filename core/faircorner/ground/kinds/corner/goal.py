"""Reversing round a corner into a side road."""

from dataclasses import dataclass, replace
from typing import ClassVar, Self

import numpy as np

from faircorner.errors import between
from faircorner.ground.berth import Berth, BerthEnd
from faircorner.ground.goal import Goal
from faircorner.ground.kerbline import KERB, Kerbline, far_kerb
from faircorner.ground.sighted import Obstacles, Sighted
from faircorner.plane import Floats

__all__ = ["Corner"]

_ACROSS = "far kerb of the side road"


@dataclass(frozen=True, slots=True, kw_only=True)
class Corner(Goal):
    """A side road, square to the road, whose kerb round the corner is followed in reverse.

    The side road's kerb lies on x = 0, the road's on y = 0, both up to the curve.
    radius : m of the kerb's curve, and of the one across the side road
    side_width : m from kerb to kerb of the side road
    kerb : m wanted from the tyres to the kerb in the side road
    back : m wanted from the nose to the mouth of the side road, so that others can turn in
    """

    kind: ClassVar[str] = "corner"
    kerbs_tried: ClassVar[tuple[float, float]] = (0.2, 1.5)
    radius: float = 5.0
    side_width: float = 6.0
    kerb: float = 0.5
    back: float = 6.0

    def __post_init__(self) -> None:
        for field, value, low, high in (
            ("radius", self.radius, 0.5, 25.0),
            ("side_width", self.side_width, 3.0, 20.0),
            ("goal_kerb", self.kerb, 0.1, 2.0),
            ("goal_back", self.back, 0.5, 12.0),
        ):
            between(field, value, low, high)

    def wanting(self, *, kerb: float | None, gap: float | None) -> Self:
        return replace(
            self,
            kerb=self.kerb if kerb is None else kerb,
            back=self.back if gap is None else gap,
        )

    @property
    def gap(self) -> float | None:
        return self.back

    def landmarks(self, _obstacles: Obstacles) -> dict[str, float]:
        return {"corner start": self.radius, "corner": 0.0}

    def in_view(self, _obstacles: Obstacles, _width: float) -> Floats:
        """The side road as wide as it is."""
        return np.array([(-self.side_width, np.nan)])

    def sighted(self, _obstacles: Obstacles) -> tuple[Sighted, ...]:
        first = np.array([[self.radius, 0.0]])
        last = np.array([[0.0, self.radius]])
        return (("first curved kerbstone", first, 0.1), ("last curved kerbstone", last, 0.1))

    def kerblines(self, width: float) -> tuple[Kerbline, ...]:
        """The corner, the side road's other corner, and the road's far kerb."""
        across = Kerbline(
            name=_ACROSS,
            frame=np.array([-self.side_width, 0.0, np.pi / 2]),
            radius=self.radius,
            of_tyres=False,
        )
        corner = Kerbline(name=KERB, frame=np.zeros(3), radius=self.radius, of_tyres=True)
        return (corner, across, far_kerb(width))

    def berth(self, _obstacles: Obstacles, _width: float) -> Berth:
        return Berth(
            frame=np.array([0.0, 0.0, -np.pi / 2]),
            edge=KERB,
            ahead=BerthEnd(name="mouth of the side road", at=0.0),
            behind=None,
            along="ahead",
            gap=self.back,
            kerb=self.kerb,
        )
