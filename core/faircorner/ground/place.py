"""What a place consists of. Site frame: kerb face on y = 0, x the way the vehicle first faces."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Literal

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.berth import Berth
from faircorner.ground.check import Check
from faircorner.ground.goals import Bay, Corner, Goal, Kerbside, Sighted, Stretch
from faircorner.ground.kerbline import Kerbline
from faircorner.ground.obstacle import Edge, Obstacle
from faircorner.sides import Side

__all__ = ["Edging", "Ground"]

Edging = Literal["kerb", "verge"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Ground:
    """A place to practise.

    side : where the working kerb lies, seen from the vehicle at the start
    road_width : m from kerb to kerb
    edging : whether kerbs bound the road, or verges, where nothing is felt and a tyre drops off
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
    edging: Edging = "kerb"
    check: Check = field(default_factory=Check)

    def __post_init__(self) -> None:
        if self.side not in ("left", "right"):
            raise InputError("side", f"must be left or right, got {self.side}")
        if self.edging not in ("kerb", "verge"):
            raise InputError("edging", f"must be kerb or verge, got {self.edging}")
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
        """Whether the vehicle ends beside a kerb that its tyres could meet."""
        return not isinstance(self.goal, Bay)

    @property
    def kerblines(self) -> tuple[Kerbline, ...]:
        """The edges of what is driven on. Working side on the left only."""
        return self.goal.kerblines(self.road_width)

    @property
    def met_by_tyres(self) -> frozenset[str]:
        """Names of what is low enough for the body to pass over."""
        lines = {line.name for line in self.kerblines if line.of_tyres}
        return frozenset(lines | {o.name for o in self.obstacles if o.low})

    @property
    def berth(self) -> Berth:
        """Where to stand in the end. Working side on the left only."""
        return self.goal.berth(self.obstacles, self.road_width)

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
        marks = tuple(
            (o.name, o.polygon, o.height) for o in self.obstacles if o.kind in ("cone", "pole")
        )
        return self.goal.sighted(self.obstacles) + marks

    def wanting(self, *, kerb: float | None = None, gap: float | None = None) -> "Ground":
        """The same place with another finish wanted: m from the kerb, m along the berth.

        Raises InputError for what is not asked for at such a place.
        """
        goal = self.goal
        if kerb is not None:
            if isinstance(goal, Bay):
                raise InputError("kerb_m", "a bay is parked in along its middle; leave it out")
            goal = replace(goal, kerb=kerb)
        if gap is not None:
            goal = _with_gap(goal, gap)
        return replace(self, goal=goal)

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


def _with_gap(goal: Goal, gap: float) -> Goal:
    match goal:
        case Kerbside():
            return replace(goal, ahead_gap=gap)
        case Bay():
            return replace(goal, gap=gap)
        case Corner():
            return replace(goal, back=gap)
        case Stretch():
            if gap < goal.run:
                raise InputError("ahead_m", f"must be {goal.run:g} m or more, the run back")
            return replace(goal, short=gap - goal.run)
        case _:
            raise InputError("ahead_m", "nobody asks where along the road it ends; leave it out")
