"""Turning round in a road: to stand facing back, beside the kerb across it."""

from dataclasses import dataclass, replace
from typing import ClassVar, Self

import numpy as np

from faircorner.errors import between
from faircorner.ground.berth import Berth
from faircorner.ground.goal import Goal, nobody_asks
from faircorner.ground.kerbline import FAR_KERB, Kerbline, far_kerb, near_kerb
from faircorner.ground.sighted import Obstacles, Sighted
from faircorner.plane import Floats

__all__ = ["Turnabout"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Turnabout(Goal):
    """A road to turn round in; the kerb across it is the one ended beside.

    kerb : m wanted from the tyres to that kerb at the end
    overhang : whether the body may reach over the kerbs; tyres never may
    """

    kind: ClassVar[str] = "turnabout"
    kerbs_narrow: ClassVar[bool] = True
    kerbs_tried: ClassVar[tuple[float, float]] = (0.3, 2.5)
    kerb: float = 1.0
    overhang: bool = True

    def __post_init__(self) -> None:
        between("goal_kerb", self.kerb, 0.1, 5.0)

    def wanting(self, *, kerb: float | None, gap: float | None) -> Self:
        if gap is not None:
            raise nobody_asks()
        return self if kerb is None else replace(self, kerb=kerb)

    @property
    def gap(self) -> float | None:
        """Nobody asks where along the road it ends."""
        return None

    def landmarks(self, _obstacles: Obstacles) -> dict[str, float]:
        return {"mark": 0.0}

    def in_view(self, _obstacles: Obstacles, width: float) -> Floats:
        return np.array([(np.nan, 0.5), (np.nan, -width - 0.1)])

    def sighted(self, _obstacles: Obstacles) -> tuple[Sighted, ...]:
        return ()

    def kerblines(self, width: float) -> tuple[Kerbline, ...]:
        tyres = self.overhang
        return (
            near_kerb(of_tyres=tyres, turned_at=True),
            far_kerb(width, of_tyres=tyres, turned_at=True),
        )

    def berth(self, _obstacles: Obstacles, width: float) -> Berth:
        return Berth(
            # Turned clockwise all the way, as the wheel away from the kerb turns it.
            frame=np.array([0.0, -width, -np.pi]),
            edge=FAR_KERB,
            ahead=None,
            behind=None,
            along="ahead",
            gap=None,
            kerb=self.kerb,
        )
