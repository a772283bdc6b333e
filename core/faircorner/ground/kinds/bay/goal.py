"""A marked bay to park in."""

from dataclasses import dataclass, replace
from typing import ClassVar, Literal, Self, TypeAlias

import numpy as np

from faircorner.errors import InputError, between
from faircorner.ground.berth import Berth, BerthEnd
from faircorner.ground.goal import Goal
from faircorner.ground.kerbline import Kerbline, far_kerb
from faircorner.ground.obstacle import Edge
from faircorner.ground.sighted import Obstacles, Sighted
from faircorner.plane import Floats
from faircorner.said import Said

__all__ = ["AISLE", "Bay", "Head", "Lines"]

AISLE = "far side of the aisle"

Head: TypeAlias = Literal["line", "wall", "wheel stop"]
Lines: TypeAlias = Literal["painted", "sensor"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Bay(Goal):
    """A marked bay to park in.

    angle : rad from the way of travel to the way into the bay: pi/2 is square, less leans the
        way of travel, more leans against it
    width : m between its lines, square to them; depth : m from mouth to head along its middle
    head : what ends it; head_gap : m wanted to the head (from the tyres where it is a wheel stop)
    nose : whether the vehicle stands nose in or nose out, as it is backed in
    lines : painted ones may be crossed, those with sensors not be touched by a tyre
    guide : m from the line of the mouths to a line in the aisle that is driven along, or None
    Raises InputError for a bay that no car fits.
    """

    kind: ClassVar[str] = "bay"
    has_kerb: ClassVar[bool] = False
    reach: ClassVar[float] = 30.0
    angle: float = np.pi / 2
    width: float = 2.5
    depth: float = 5.0
    head: Head = "line"
    head_gap: float = 0.3
    nose: Literal["in", "out"] = "out"
    lines: Lines = "painted"
    guide: float | None = None

    def __post_init__(self) -> None:
        degrees = float(np.degrees(self.angle))
        if not 30 - 1e-9 <= degrees <= 150 + 1e-9:
            raise InputError("angle_deg", Said("must be between 30 and 150 degrees", got=degrees))
        for field, value, low, high in (
            ("bay_width", self.width, 1.8, 6.0),
            ("bay_depth", self.depth, 3.0, 25.0),
            ("goal_head", self.head_gap, 0.05, 5.0),
        ):
            between(field, value, low, high)
        if self.lines not in ("painted", "sensor"):
            raise InputError("lines", Said("must be painted or sensor", got=self.lines))
        if self.guide is not None:
            between("guide", self.guide, 0.3, 10.0)
        if self.head not in ("line", "wall", "wheel stop"):
            raise InputError("head", Said("must be line, wall or wheel stop", got=self.head))

    @property
    def inward(self) -> Floats:
        """The way into the bay, (2,) on the site."""
        return np.array([np.cos(self.angle), np.sin(self.angle)])

    @property
    def half_mouth(self) -> float:
        """m along the aisle from the middle of the mouth to where a line begins."""
        return float(self.width / 2 / np.sin(self.angle))

    def landmarks(self, _obstacles: Obstacles) -> dict[str, float]:
        """Named places along the aisle, x in m."""
        return {"near line": -self.half_mouth, "far line": self.half_mouth}

    def flank(self, _obstacles: Obstacles) -> float:
        """y from which the gap at the start is measured, m: the guide line, else the mouths'."""
        return -(self.guide or 0.0)

    @property
    def flank_of(self) -> str:
        return "guide line" if self.guide else "mouth of the bay"

    def in_view(self, obstacles: Obstacles, width: float) -> Floats:
        """The bay, what stands in those beside it, and the aisle as far as its other side."""
        parked = [o.polygon[:, 1].max() for o in obstacles if o.polygon[:, 1].max() > 0]
        deep = max([float(self.inward[1]) * self.depth, *parked])
        return np.array([(-3.0, deep - 0.3), (3.0, -width + 0.2)])

    def sighted(self, obstacles: Obstacles) -> tuple[Sighted, ...]:
        marks = (
            ("end of the near line", np.array([[-self.half_mouth, 0.0]]), 0.0),
            ("end of the far line", np.array([[self.half_mouth, 0.0]]), 0.0),
        )
        cars = tuple(
            (f"corner of the {o.name}", o.polygon, o.height)
            for o in obstacles
            if o.kind == "vehicle"
        )
        return marks + cars

    @property
    def gap(self) -> float | None:
        return self.head_gap

    def wanting(self, *, kerb: float | None, gap: float | None) -> Self:
        if kerb is not None:
            raise InputError("kerb_m", Said("a bay is parked"))
        return self if gap is None else replace(self, head_gap=gap)

    def ending(self, manoeuvre: str) -> Self:
        return replace(self, nose="in" if manoeuvre == "bay forward" else "out")

    def painted(self) -> tuple[Edge, ...]:
        """The bay's own and its neighbours' lines, and a line in the aisle to drive along."""
        into, half = self.inward * self.depth, self.half_mouth
        found = [
            Edge(name=f"line {i + 1}", kind="line",
                 points=np.array([(x, 0.0), np.array([x, 0.0]) + into]))
            for i, x in enumerate((-3 * half, -half, half, 3 * half))
        ]  # fmt: skip
        if self.guide is not None:
            ends = np.array([(-self.reach, -self.guide), (self.reach, -self.guide)])
            found.append(Edge(name="guide line", kind="line", points=ends))
        return tuple(found)

    def aligned(self) -> tuple[tuple[str, Floats], ...]:
        near, far = (np.array([x, 0.0]) for x in (-self.half_mouth, self.half_mouth))
        into = self.inward * self.depth
        return (
            ("near line", np.array([near, near + into])),
            ("far line", np.array([far, far + into])),
        )

    def kerblines(self, width: float) -> tuple[Kerbline, ...]:
        """The aisle's other side; a bay has no kerb of its own."""
        return (far_kerb(width, name=AISLE),)

    def berth(self, _obstacles: Obstacles, _width: float) -> Berth:
        nose_in = self.nose == "in"
        heading = self.angle if nose_in else self.angle - np.pi
        facing = np.array([np.cos(heading), np.sin(heading)])
        left = np.array([-facing[1], facing[0]])
        origin = left * self.width / 2
        # The mouth, y = 0 on the site, as a line across the frame.
        slope = -left[1] / facing[1]
        mouth = BerthEnd(name="mouth of the bay", at=slope * self.width / 2, slope=slope)
        head = BerthEnd(
            name=self.head if self.head != "line" else "head of the bay",
            at=self.depth if nose_in else -self.depth,
            of_tyres=self.head == "wheel stop",
        )
        return Berth(
            frame=np.array([*origin, heading]),
            edge="bay's line",
            ahead=head if nose_in else mouth,
            behind=mouth if nose_in else head,
            along="ahead" if nose_in else "behind",
            gap=self.head_gap,
            width=self.width,
        )
