"""What a place consists of. Site frame: kerb face on y = 0, x the way the vehicle first faces."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Literal

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.berth import Berth
from faircorner.ground.check import Check
from faircorner.ground.goal import Bay, Goal, Kerbside, Sighted
from faircorner.ground.obstacle import Edge, Obstacle

__all__ = ["Ground", "Side"]

Side = Literal["left", "right"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Ground:
    """A place to practise.

    side : where the working kerb lies, seen from the vehicle at the start
    road_width : m from kerb to kerb
    check : what was noted of it as a place to practise
    Raises InputError when the goal names what is not there, and when nothing is left to
    drive on.
    """

    name: str
    side: Side
    edges: tuple[Edge, ...]
    obstacles: tuple[Obstacle, ...]
    goal: Goal
    road_width: float = 7.0
    check: Check = field(default_factory=Check)

    def __post_init__(self) -> None:
        if self.side not in ("left", "right"):
            raise InputError("side", f"must be left or right, got {self.side}")
        if not 3 <= self.road_width <= 40:
            raise InputError("road_width_m", f"must be between 3 and 40 m, got {self.road_width:g}")
        names = [o.name for o in self.obstacles]
        if len(set(names)) != len(names):
            raise InputError("obstacles", "each needs a name of its own")
        if isinstance(self.goal, Kerbside):
            self._check_kerbside(self.goal, names)

    def _check_kerbside(self, goal: Kerbside, names: list[str]) -> None:
        for which, wanted in (("ahead", goal.ahead), ("behind", goal.behind)):
            if wanted is not None and wanted not in names:
                raise InputError(
                    f"goal.{which}",
                    f"no obstacle is called {wanted!r}; there is {', '.join(names) or 'none'}",
                )
        kerbs = [e for e in self.edges if e.kind == "kerb"]
        if not any(np.allclose(e.points[:, 1], 0, atol=1e-6) for e in kerbs):
            raise InputError("edges", "one edge of kind kerb must lie on y = 0")

    @property
    def has_kerb(self) -> bool:
        """Whether tyres meet a kerb on y = 0."""
        return any(e.kind == "kerb" for e in self.edges)

    @property
    def far_edge(self) -> str:
        """What the far edge of the road is called, which the body must not cross."""
        return next((e.name for e in self.edges if e.kind == "far kerb"), "far kerb")

    @property
    def berth(self) -> Berth:
        """Where to stand in the end. Working side on the left only."""
        return self.goal.berth(self.obstacles)

    @property
    def landmarks(self) -> Mapping[str, float]:
        """x of named places, m. Working side on the left only."""
        return self.goal.landmarks(self.obstacles)

    @property
    def flank(self) -> float:
        """y from which the gap at the start is measured, m. Working side on the left only."""
        return self.goal.flank(self.obstacles)

    @property
    def sighted(self) -> tuple[Sighted, ...]:
        """What a driver can line up on. Working side on the left only."""
        return self.goal.sighted(self.obstacles)

    def wanting(self, *, kerb: float | None = None, gap: float | None = None) -> "Ground":
        """The same place with another finish wanted: m from the kerb, m along the berth.

        Raises InputError for a distance from the kerb where there is a bay instead.
        """
        goal = self.goal
        if isinstance(goal, Bay):
            if kerb is not None:
                raise InputError("kerb_m", "a bay is parked in along its middle; leave it out")
            return self if gap is None else replace(self, goal=replace(goal, gap=gap))
        wanted = replace(
            goal,
            kerb=goal.kerb if kerb is None else kerb,
            ahead_gap=goal.ahead_gap if gap is None else gap,
        )
        return replace(self, goal=wanted)

    def with_obstacle(self, changed: Obstacle) -> "Ground":
        """The same place with the obstacle of that name replaced."""
        kept = tuple(changed if o.name == changed.name else o for o in self.obstacles)
        return replace(self, obstacles=kept)

    def mirrored(self) -> "Ground":
        """The same place with the kerb on the other side."""
        flip = np.array([1.0, -1.0])
        return replace(
            self,
            side="right" if self.side == "left" else "left",
            edges=tuple(replace(e, points=e.points * flip) for e in self.edges),
            obstacles=tuple(replace(o, polygon=o.polygon * flip) for o in self.obstacles),
        )

    def kerb_on_left(self) -> "Ground":
        """The same place as the sums see it: the kerb to the left, the road at negative y."""
        return self if self.side == "left" else self.mirrored()
