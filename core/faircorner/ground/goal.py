"""Where a park should end: along a kerb, or in a bay. Site frame: docs/sums/berth.md.

Everything here has the working side on the left, as `Ground.kerb_on_left` gives it.
"""

from dataclasses import dataclass
from typing import Literal, TypeAlias

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.berth import Berth, End
from faircorner.ground.obstacle import Obstacle
from faircorner.plane import Floats

__all__ = ["Bay", "Goal", "Head", "Kerbside", "Sighted"]

Head: TypeAlias = Literal["line", "wall", "wheel stop"]
# What a driver can line up on: its name, its corners (n, 2) in m, its height in m.
Sighted: TypeAlias = tuple[str, Floats, float]
_Obstacles: TypeAlias = tuple[Obstacle, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Kerbside:
    """A park along the kerb, whose face is y = 0.

    ahead, behind : names of the vehicles to park between, behind None where the kerb is free
    kerb : m from the tyres' outer faces to the kerb
    ahead_gap : m wanted to the vehicle ahead
    """

    ahead: str
    behind: str | None = None
    kerb: float = 0.25
    ahead_gap: float = 1.0

    def __post_init__(self) -> None:
        if not 0.02 <= self.kerb <= 1.5:
            raise InputError("kerb_m", f"must be between 0.02 and 1.5 m, got {self.kerb:g}")
        if not 0.2 <= self.ahead_gap <= 8:
            raise InputError("ahead_m", f"must be between 0.2 and 8 m, got {self.ahead_gap:g}")

    @property
    def gap(self) -> float:
        """m wanted along the berth, as for any goal."""
        return self.ahead_gap

    def landmarks(self, obstacles: _Obstacles) -> dict[str, float]:
        """Named places along the kerb, x in m."""
        ahead = _named(obstacles, self.ahead).polygon[:, 0]
        places = {"tail ahead": float(ahead.min()), "nose ahead": float(ahead.max())}
        if self.behind is not None:
            behind = _named(obstacles, self.behind).polygon[:, 0]
            places["nose behind"] = float(behind.max())
        return places

    def flank(self, obstacles: _Obstacles) -> float:
        """y from which the gap at the start is measured, m: the parked vehicle's flank."""
        return float(_named(obstacles, self.ahead).polygon[:, 1].min())

    def sighted(self, obstacles: _Obstacles) -> tuple[Sighted, ...]:
        parked = _named(obstacles, self.ahead)
        return (("corner of the parked vehicle", parked.polygon, parked.height),)

    def berth(self, obstacles: _Obstacles) -> Berth:
        places = self.landmarks(obstacles)
        behind = places.get("nose behind")
        return Berth(
            frame=np.zeros(3),
            edge="kerb",
            ahead=End(name="vehicle ahead", at=places["tail ahead"]),
            behind=None if behind is None else End(name="vehicle behind", at=behind),
            along="ahead",
            gap=self.ahead_gap,
            kerb=self.kerb,
        )


def _named(obstacles: _Obstacles, name: str) -> Obstacle:
    return next(o for o in obstacles if o.name == name)


@dataclass(frozen=True, slots=True, kw_only=True)
class Bay:
    """A marked bay to park in.

    angle : rad from the way of travel to the way into the bay: pi/2 is square, less leans the
        way of travel, more leans against it
    width : m between its lines, square to them; depth : m from mouth to head along its middle
    head : what ends it; gap : m wanted to the head (from the tyres where it is a wheel stop)
    nose : whether the vehicle stands nose in or nose out: a school of reversing parks nose out
    Raises InputError for a bay that no car fits.
    """

    angle: float = np.pi / 2
    width: float = 2.5
    depth: float = 5.0
    head: Head = "line"
    gap: float = 0.3
    nose: Literal["in", "out"] = "out"

    def __post_init__(self) -> None:
        degrees = float(np.degrees(self.angle))
        for field, value, low, high, unit in (
            ("angle_deg", degrees, 30.0, 150.0, "degrees"),
            ("bay_width", self.width, 1.8, 6.0, "m"),
            ("bay_depth", self.depth, 3.0, 25.0, "m"),
            ("goal_head", self.gap, 0.05, 5.0, "m"),
        ):
            if not low - 1e-9 <= value <= high + 1e-9:
                raise InputError(
                    field, f"must be between {low:g} and {high:g} {unit}, got {value:g}"
                )
        if self.head not in ("line", "wall", "wheel stop"):
            raise InputError("head", f"must be line, wall or wheel stop, got {self.head}")

    @property
    def inward(self) -> Floats:
        """The way into the bay, (2,) on the site."""
        return np.array([np.cos(self.angle), np.sin(self.angle)])

    @property
    def half_mouth(self) -> float:
        """m along the aisle from the middle of the mouth to where a line begins."""
        return float(self.width / 2 / np.sin(self.angle))

    def landmarks(self, _obstacles: _Obstacles) -> dict[str, float]:
        """Named places along the aisle, x in m."""
        return {"near line": -self.half_mouth, "far line": self.half_mouth}

    def flank(self, _obstacles: _Obstacles) -> float:
        """y from which the gap at the start is measured, m: the line of mouths."""
        return 0.0

    def sighted(self, obstacles: _Obstacles) -> tuple[Sighted, ...]:
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

    def berth(self, _obstacles: _Obstacles) -> Berth:
        nose_in = self.nose == "in"
        heading = self.angle if nose_in else self.angle - np.pi
        facing = np.array([np.cos(heading), np.sin(heading)])
        left = np.array([-facing[1], facing[0]])
        origin = left * self.width / 2
        # The mouth, y = 0 on the site, as a line across the frame.
        slope = -left[1] / facing[1]
        mouth = End(name="mouth of the bay", at=slope * self.width / 2, slope=slope)
        head = End(
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
            gap=self.gap,
            width=self.width,
        )


Goal: TypeAlias = Kerbside | Bay
