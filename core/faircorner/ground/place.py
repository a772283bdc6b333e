"""What a place consists of. Site frame: kerb face on y = 0, x the way the vehicle first faces."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Literal

import numpy as np

from faircorner.errors import InputError, between
from faircorner.ground.berth import Berth
from faircorner.ground.check import Check
from faircorner.ground.goal import Goal
from faircorner.ground.kerbline import Kerbline
from faircorner.ground.obstacle import Edge, Obstacle
from faircorner.ground.sighted import SIGHTED_KINDS, Sighted
from faircorner.said import Said
from faircorner.sides import Side, turned_back, turned_in

Edging = Literal["kerb", "verge"]

__all__ = ["Edging", "Ground"]


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
    obstacles: tuple[Obstacle, ...]
    goal: Goal
    road_width: float = 7.0
    edging: Edging = "kerb"
    check: Check = field(default_factory=Check)

    def __post_init__(self) -> None:
        if self.side not in ("left", "right"):
            raise InputError("side", Said("must be left or right", got=self.side))
        if self.edging not in ("kerb", "verge"):
            raise InputError("edging", Said("must be kerb or verge", got=self.edging))
        between("road_width_m", self.road_width, 3.0, 40.0)
        names = [o.name for o in self.obstacles]
        if len(set(names)) != len(names):
            raise InputError("obstacles", Said("each needs a name"))
        self.goal.check(self.obstacles)

    @property
    def has_kerb(self) -> bool:
        """Whether the vehicle ends beside a kerb that its tyres could meet."""
        return self.goal.has_kerb

    @property
    def kerblines(self) -> tuple[Kerbline, ...]:
        """The edges of what is driven on. Working side on the left only."""
        return self.goal.kerblines(self.road_width)

    @property
    def edges(self) -> tuple[Edge, ...]:
        """What is drawn on the ground, on the place's own side: lines, then what bounds it."""
        painted = tuple(turned_back(self.side, edge) for edge in self.goal.painted())
        return (*painted, *self.bounds(self.goal.reach))

    def bounds(self, reach: float) -> tuple[Edge, ...]:
        """The very edges that are kept clear of, on the place's own side, drawn `reach` m long."""
        return tuple(
            turned_back(
                self.side, Edge(name=line.name, kind=line.drawn_as, points=line.drawn(reach))
            )
            for line in self.kerb_on_left().kerblines
        )

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
    def flank_of(self) -> str:
        """What that is measured from, by its name."""
        return self.goal.flank_of

    @property
    def sighted(self) -> tuple[Sighted, ...]:
        """What a driver can line up on. Working side on the left only."""
        marks = tuple(
            (o.name, o.polygon, o.height) for o in self.obstacles if o.kind in SIGHTED_KINDS
        )
        return self.goal.sighted(self.obstacles) + marks

    def wanting(self, *, kerb: float | None = None, gap: float | None = None) -> "Ground":
        """The same place with another finish wanted: m from the kerb, m along the berth.

        Raises InputError for what is not asked for at such a place.
        """
        return replace(self, goal=self.goal.wanting(kerb=kerb, gap=gap))

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
            obstacles=tuple(replace(o, polygon=o.polygon * flip) for o in self.obstacles),
        )

    def kerb_on_left(self) -> "Ground":
        """The same place as the sums see it: the kerb to the left, the road at negative y."""
        return turned_in(self.side, self)
