"""A free kerb to stop at, or to reverse along."""

from dataclasses import dataclass, replace
from typing import ClassVar, Self

import numpy as np

from faircorner.errors import InputError, between
from faircorner.ground.berth import Berth, BerthEnd
from faircorner.ground.goal import Goal
from faircorner.ground.kerbline import KERB, Kerbline, far_kerb, near_kerb
from faircorner.ground.sighted import Obstacles, Sighted
from faircorner.said import Exact, Said

__all__ = ["Stretch"]

# A post at the kerb: how thick and how high, and how far behind the kerb's face, m.
_POST, _HIGH, _BEHIND = 0.1, 1.2, 0.3


@dataclass(frozen=True, slots=True, kw_only=True)
class Stretch(Goal):
    """A free stretch of kerb on y = 0 with a post at x = 0.

    kerb : m wanted from the tyres to the kerb
    short : m wanted from the nose to the post where the vehicle stops
    run : m to reverse from there; 0 where the manoeuvre ends with the stop
    """

    kind: ClassVar[str] = "stretch"
    kerbs_tried: ClassVar[tuple[float, float]] = (0.1, 1.0)
    kerb: float = 0.3
    short: float = 0.5
    run: float = 9.0

    def __post_init__(self) -> None:
        for field, value, low, high in (
            ("goal_kerb", self.kerb, 0.05, 2.0),
            ("goal_short", self.short, 0.0, 5.0),
            ("goal_run", self.run, 0.0, 40.0),
        ):
            between(field, value, low, high)

    def wanting(self, *, kerb: float | None, gap: float | None) -> Self:
        if gap is not None and gap < self.run:
            raise InputError("ahead_m", Said("no shorter than the run", run=Exact(self.run)))
        return replace(
            self,
            kerb=self.kerb if kerb is None else kerb,
            short=self.short if gap is None else gap - self.run,
        )

    def ending(self, manoeuvre: str) -> Self:
        return replace(self, run=0.0) if manoeuvre == "kerbside stop" else self

    @property
    def gap(self) -> float | None:
        """m from nose to post where the manoeuvre ends."""
        return self.short + self.run

    def landmarks(self, _obstacles: Obstacles) -> dict[str, float]:
        """The post, and where the nose first stops before it; x in m."""
        return {"mark": 0.0, "stop": -self.short}

    def sighted(self, _obstacles: Obstacles) -> tuple[Sighted, ...]:
        half = _POST / 2
        corners = [(-half, _BEHIND), (half, _BEHIND), (half, _BEHIND + _POST)]
        return (("post", np.array(corners), _HIGH),)

    def kerblines(self, width: float) -> tuple[Kerbline, ...]:
        return (near_kerb(), far_kerb(width))

    def berth(self, _obstacles: Obstacles, _width: float) -> Berth:
        return Berth(
            frame=np.zeros(3),
            edge=KERB,
            ahead=BerthEnd(name="post", at=0.0),
            behind=None,
            along="ahead",
            gap=self.gap,
            kerb=self.kerb,
        )
