"""A mirror's glass: where it is, which way it looks, how it is curved, and its outline."""

from dataclasses import dataclass, field, replace
from typing import Literal, TypeAlias

import numpy as np
from shapely import Geometry, Polygon, prepare, unary_union

from faircorner.errors import InputError, between
from faircorner.plane import Floats, frozen
from faircorner.said import Said

__all__ = ["Dot", "Mirror", "MirrorUse", "MovesWith", "axes", "stuck_together"]

MovesWith: TypeAlias = Literal["body", "trailer"]
# What it is there for, and so what it is set to show: the road behind, the own flank, the ground
# far round it, the rear tyre, the ground beside the door, or that before the nose.
MirrorUse: TypeAlias = Literal["behind", "flank", "wide", "tyre", "door", "nose"]

# Glass farther than this from its own middle is a slip of the tape, m.
_REACH = 0.6


def axes(aim: Floats) -> tuple[Floats, Floats]:
    """Across and up on a glass that looks along a unit vector (3,): unit vectors (3,) too."""
    # A glass that looks straight up or down has its upper edge ahead.
    upright = np.array([0.0, 0.0, 1.0] if abs(aim[2]) < 0.999 else [1.0, 0.0, 0.0])
    up = upright - (upright @ aim) * aim
    up /= np.linalg.norm(up)
    return np.cross(up, aim), up


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Dot:
    """A mark of one's own on a mirror's glass; at : (2,), across and up from its middle, m"""

    name: str
    at: Floats

    def mirrored(self) -> "Dot":
        return replace(self, at=self.at * np.array([-1.0, 1.0]))


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Mirror:
    """Flat, or part of a sphere; metres in the vehicle's frame.

    centre : (3,), the middle of the glass's face; aim : (3,), unit vector out of the glass
    radius : of the sphere that a convex one is part of; None for a flat one
    outline : (n, 2), across and up from the middle; across is to the right of who faces the glass
    set_for : what every driver sets it to show; None where its aim stays as it is
    on : the name of the mirror that it is stuck to or is a part of, and turns with; "" for none
    dots : marks of one's own on it; assumed : whether nobody measured it
    under : what is stuck to it and hides it there, outlines (m, 2) as its own; the vehicle's to say
    across, up : (3,), unit vectors of the outline
    face : what of it shows anything, as a shape
    Raises InputError naming the measure that cannot be.
    """

    name: str
    centre: Floats
    aim: Floats
    radius: float | None
    outline: Floats
    moves_with: MovesWith = "body"
    set_for: MirrorUse | None = None
    on: str = ""
    dots: tuple[Dot, ...] = ()
    assumed: bool = False
    under: tuple[Floats, ...] = ()
    across: Floats = field(init=False)
    up: Floats = field(init=False)
    face: Geometry = field(init=False)

    def __post_init__(self) -> None:
        aim, outline = frozen(self.aim), frozen(self.outline)
        if abs(np.linalg.norm(aim) - 1) > 0.01:
            raise InputError("aim", Said("must be one long", got=f"{np.linalg.norm(aim):.3f}"))
        aim = frozen(aim / np.linalg.norm(aim))
        if self.radius is not None:
            between("radius_m", self.radius, 0.1, 20.0)
        face = Polygon(outline)
        if not face.is_valid or face.area < 1e-5:
            raise InputError("outline_m", Said("must be a simple polygon"))
        if np.linalg.norm(outline, axis=1).max() > min(_REACH, self.radius or _REACH):
            raise InputError("outline_m", Said("is larger than such a glass"))
        face = face.difference(unary_union([Polygon(one) for one in self.under]))
        prepare(face)
        across, up = (frozen(axis) for axis in axes(aim))
        for name, value in (
            ("centre", frozen(self.centre)), ("aim", aim), ("outline", outline), ("face", face),
            ("up", up), ("across", across),
        ):  # fmt: skip
            object.__setattr__(self, name, value)

    def mirrored(self) -> "Mirror":
        flip = np.array([1.0, -1.0, 1.0])
        return replace(
            self,
            centre=self.centre * flip,
            aim=self.aim * flip,
            outline=self.outline * np.array([-1.0, 1.0]),
            dots=tuple(dot.mirrored() for dot in self.dots),
            under=(),
        )

    def placed(self, points: Floats) -> Floats:
        """Points of the glass (..., 2) in the vehicle's frame, (..., 3)."""
        return np.asarray(self.centre + points[..., :1] * self.across + points[..., 1:] * self.up)

    def on_glass(self, places: Floats) -> Floats:
        """Places (n, 3) m of the vehicle's frame, (n, 2) across and up from its middle."""
        off = places - self.centre
        return np.column_stack((off @ self.across, off @ self.up))


def stuck_together(mirrors: tuple[Mirror, ...]) -> tuple[Mirror, ...]:
    """The same, each with what others hide of it that are stuck to it."""
    stuck: dict[str, list[Mirror]] = {}
    for mirror in mirrors:
        stuck.setdefault(mirror.on, []).append(mirror)
    return tuple(
        replace(
            mirror,
            under=tuple(
                frozen(mirror.on_glass(one.placed(one.outline)))
                for one in stuck.get(mirror.name, ())
            ),
        )
        if mirror.under or mirror.name in stuck
        else mirror
        for mirror in mirrors
    )
