"""A park along a kerb, behind one vehicle or between two."""

from dataclasses import dataclass, replace
from typing import ClassVar, Self

import numpy as np

from faircorner.errors import InputError, between
from faircorner.ground.berth import Berth, BerthEnd
from faircorner.ground.goal import Goal
from faircorner.ground.kerbline import KERB, Kerbline, far_kerb, near_kerb
from faircorner.ground.sighted import Obstacles, Sighted, named
from faircorner.plane import Floats
from faircorner.said import Said

__all__ = ["Kerbside"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Kerbside(Goal):
    """A park along the kerb, whose face is y = 0.

    ahead, behind : names of the vehicles to park between, behind None where the kerb is free
    kerb : m from the tyres' outer faces to the kerb
    ahead_gap : m wanted to the vehicle ahead
    """

    kind: ClassVar[str] = "kerbside"
    reach: ClassVar[float] = 30.0
    ahead: str
    behind: str | None = None
    kerb: float = 0.25
    ahead_gap: float = 1.0

    def __post_init__(self) -> None:
        between("kerb_m", self.kerb, 0.02, 1.5)
        between("ahead_m", self.ahead_gap, 0.2, 8.0)

    def check(self, obstacles: Obstacles) -> None:
        names = [o.name for o in obstacles]
        for which, wanted in (("ahead", self.ahead), ("behind", self.behind)):
            if wanted is not None and wanted not in names:
                raise InputError(
                    f"goal.{which}",
                    Said("no obstacle is called", wanted=wanted, known=", ".join(names) or "none"),
                )

    def wanting(self, *, kerb: float | None, gap: float | None) -> Self:
        return replace(
            self,
            kerb=self.kerb if kerb is None else kerb,
            ahead_gap=self.ahead_gap if gap is None else gap,
        )

    @property
    def gap(self) -> float | None:
        """m wanted along the berth, as for any goal."""
        return self.ahead_gap

    def landmarks(self, obstacles: Obstacles) -> dict[str, float]:
        """Named places along the kerb, x in m."""
        ahead = named(obstacles, self.ahead).polygon[:, 0]
        places = {"tail ahead": float(ahead.min()), "nose ahead": float(ahead.max())}
        if self.behind is not None:
            behind = named(obstacles, self.behind).polygon[:, 0]
            places["nose behind"] = float(behind.max())
        return places

    def flank(self, obstacles: Obstacles) -> float:
        """y from which the gap at the start is measured, m: the parked vehicle's flank."""
        return float(named(obstacles, self.ahead).polygon[:, 1].min())

    @property
    def flank_of(self) -> str:
        return self.ahead

    def flank_from(self, obstacles: Obstacles) -> float:
        return float(named(obstacles, self.ahead).polygon[:, 0].min())

    def in_view(self, obstacles: Obstacles, width: float) -> Floats:
        """As much of the vehicle ahead as shows what it is."""
        ahead = named(obstacles, self.ahead).polygon
        return np.array([(min(ahead[:, 0].max(), 4.8), 0.2), (0.0, ahead[:, 1].min())])

    def sighted(self, obstacles: Obstacles) -> tuple[Sighted, ...]:
        parked = named(obstacles, self.ahead)
        return (("corner of the parked vehicle", parked.polygon, parked.height),)

    def kerblines(self, width: float) -> tuple[Kerbline, ...]:
        return (near_kerb(), far_kerb(width))

    def berth(self, obstacles: Obstacles, _width: float) -> Berth:
        places = self.landmarks(obstacles)
        behind = places.get("nose behind")
        return Berth(
            frame=np.zeros(3),
            edge=KERB,
            ahead=BerthEnd(name="vehicle ahead", at=places["tail ahead"]),
            behind=None if behind is None else BerthEnd(name="vehicle behind", at=behind),
            along="ahead",
            gap=self.ahead_gap,
            kerb=self.kerb,
        )
