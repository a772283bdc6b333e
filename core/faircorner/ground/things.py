"""Putting down what stands at a place besides what it was laid out with: cones, walls, vehicles.

A thing is moved by its middle and turned about it; whatever was there already can be moved too,
as long as nothing else was laid out by where it stands.
"""

from dataclasses import dataclass, replace
from typing import Literal, TypeAlias, get_args

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.kinds import kind_of
from faircorner.ground.obstacle import Obstacle
from faircorner.ground.place import Ground
from faircorner.plane import Floats, box, to_site
from faircorner.said import Exact, Said

__all__ = ["SIZES", "THINGS", "Thing", "ThingKind", "put_down", "take_away", "things"]

ThingKind: TypeAlias = Literal["cone", "pole", "vehicle", "wall", "solid line", "island"]
THINGS: tuple[ThingKind, ...] = get_args(ThingKind)

# Length, width and height of what is put down, m: ordinary ones, told on screen.
SIZES: dict[ThingKind, tuple[float, float, float]] = {
    "cone": (0.3, 0.3, 0.5),
    "pole": (0.1, 0.1, 1.6),
    "vehicle": (4.4, 1.8, 1.45),
    "wall": (3.0, 0.25, 1.0),
    "solid line": (5.0, 0.1, 0.05),
    "island": (3.0, 1.5, 0.12),
}
_FARTHEST = 60.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Thing:
    """Something put down: its name, and where its middle is; m and rad on the site."""

    name: str
    kind: str
    x: float
    y: float
    turned: float


def _outline(kind: ThingKind) -> Floats:
    length, width, _ = SIZES[kind]
    if kind in ("cone", "pole"):
        angle = np.linspace(0, 2 * np.pi, 8, endpoint=False) + np.pi / 8
        return np.stack((np.cos(angle), np.sin(angle)), axis=-1) * length / 2
    cut = 0.2 if kind == "vehicle" else 0.0
    return box(-length / 2, length / 2, width / 2, cut)


def _laid(ground: Ground) -> frozenset[str]:
    """Names of what the layout itself put there, which its own measures move."""
    return kind_of(ground).laid(ground)


def things(ground: Ground) -> tuple[Thing, ...]:
    """What was put down here, in the order in which it was."""
    return tuple(_thing(o) for o in ground.obstacles if o.name not in _laid(ground))


def _thing(obstacle: Obstacle) -> Thing:
    middle = obstacle.polygon.mean(axis=0)
    # The longest side tells how it lies; a cone lies no way.
    sides = np.roll(obstacle.polygon, -1, axis=0) - obstacle.polygon
    dx, dy = sides[np.linalg.norm(sides, axis=1).round(6).argmax()]
    turned = 0.0 if obstacle.kind in ("cone", "pole") else float(np.arctan2(dy, dx))
    return Thing(name=obstacle.name, kind=obstacle.kind, x=float(middle[0]), y=float(middle[1]),
                 turned=turned)  # fmt: skip


def put_down(
    ground: Ground, kind: ThingKind, *, x: float, y: float, turned: float = 0.0, name: str = ""
) -> Ground:
    """The same place with one thing more, or with the one of that name moved there.

    x, y : m on the site, its middle; turned : rad
    Raises InputError for a place too far off, and for a name that is not there to be moved.
    """
    for field, value in (("x_m", x), ("y_m", y)):
        if not abs(value) <= _FARTHEST:
            raise InputError(
                field, Said("must be within", reach=Exact(_FARTHEST), got=Exact(value))
            )
    taken = {o.name for o in ground.obstacles}
    if name and name not in {thing.name for thing in things(ground)}:
        raise InputError("name", Said("nothing of that name was put down", name=name))
    number = next(i for i in range(1, len(taken) + 2) if f"{kind} {i}" not in taken)
    made = Obstacle(
        name=name or f"{kind} {number}",
        kind=kind,
        polygon=to_site(np.array([x, y, turned]), _outline(kind)),
        height=SIZES[kind][2],
    )
    if name:
        return ground.with_obstacle(made)
    return replace(ground, obstacles=(*ground.obstacles, made))


def take_away(ground: Ground, name: str) -> Ground:
    """The same place without the thing of that name; InputError where it was not put down."""
    if name not in {thing.name for thing in things(ground)}:
        raise InputError("name", Said("nothing of that name was put down", name=name))
    return replace(ground, obstacles=tuple(o for o in ground.obstacles if o.name != name))
