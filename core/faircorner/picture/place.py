"""The place as surfaces and solids, from a vehicle that stands in it; the working side left."""

from itertools import islice, pairwise

import numpy as np

from faircorner.ground import Edge, Ground, Kerbline, Obstacle
from faircorner.picture.surface import Solid, Surface, prism
from faircorner.plane import Floats, to_body, to_site

__all__ = ["Place", "place_of"]

# How far the ground goes on, and edges and the land behind them, m.
_FAR, _LONG = 400.0, 400.0
# Heights of a kerb and of the land behind a verge, m; width of a kerbstone and of a painted line.
_KERB, _STONE, _LINE = 0.12, 0.15, 0.10
# A parked vehicle: from where to where its lower body reaches, and how much its cabin draws in.
_SKIRT, _WAIST, _CABIN = 0.20, 0.88, np.array([0.60, 0.86])
# A wall longer than this has two windows, m.
_LONG_WALL = 1.9
# Its wheels, m: radius, and how far from either end their middles stand.
_WHEEL, _AXLE = 0.31, 0.85


class Place:
    """flat : what lies on the ground, the first below the others; solids : what stands on it

    Made once for a place; `seen` is for a pose in it.
    """

    def __init__(self, ground: Ground) -> None:
        """ground : with its working side on the left"""
        plane = np.array([(-_FAR, -_FAR), (_FAR, -_FAR), (_FAR, _FAR), (-_FAR, _FAR)])
        self._flat = [Surface(kind="road", name="", points=_lifted(plane, 0.0))]
        for line in ground.kerblines:
            self._flat += _land(line, _KERB if ground.edging == "kerb" else 0.02)
        for edge in ground.goal.painted():
            self._flat += _painted(edge)
        self._solids = [_solid(obstacle) for obstacle in ground.obstacles]
        # All corners in one piece: to turn them together costs as much as to turn those of one.
        self._surfaces = [*self._flat, *(one for solid in self._solids for one in solid.surfaces)]
        self._corners = np.vstack([one.points for one in self._surfaces])
        self._ends = np.cumsum([len(one.points) for one in self._surfaces])[:-1]

    def seen(self, pose: Floats) -> tuple[list[Surface], list[Solid]]:
        """The same in the frame of a vehicle that stands at a pose (3,)."""
        placed = np.column_stack((to_body(pose, self._corners[:, :2]), self._corners[:, 2]))
        moved = iter(
            Surface(kind=one.kind, name=one.name, points=points)
            for one, points in zip(self._surfaces, np.split(placed, self._ends), strict=True)
        )
        flat = list(islice(moved, len(self._flat)))
        solids = [
            Solid(
                footprint=to_body(pose, solid.footprint),
                surfaces=tuple(islice(moved, len(solid.surfaces))),
            )
            for solid in self._solids
        ]
        return flat, solids


def place_of(ground: Ground) -> Place:
    return Place(ground)


def _lifted(points: Floats, height: float) -> Floats:
    return np.column_stack((points, np.full(len(points), height)))


def _land(line: Kerbline, height: float) -> list[Surface]:
    """The land behind an edge, its kerbstones' tops and their faces."""
    edge = to_body(line.frame, line.drawn(_LONG))
    back = [(_LONG, _LONG)] if line.radius is not None else [(_LONG, _LONG), (-_LONG, _LONG)]
    land = np.vstack((edge, back))
    # A curve is drawn from its straight end on; land lies to the left of who goes along.
    made = [_on_site(line, "land", _lifted(land, height))]
    for a, b in pairwise(edge):
        along = (b - a) / np.linalg.norm(b - a)
        inward = np.array([-along[1], along[0]]) * _inward(line)
        top = [a, b, b + inward * _STONE, a + inward * _STONE]
        made.append(_on_site(line, "kerb top", _lifted(np.array(top), height)))
        face = np.array([(*a, 0.0), (*b, 0.0), (*b, height), (*a, height)])
        made.append(_on_site(line, "kerb", face))
    return made


def _inward(line: Kerbline) -> float:
    """Which side of its way along an edge has the land: left, or right round a corner."""
    return 1.0 if line.radius is None else -1.0


def _on_site(line: Kerbline, kind: str, points: Floats) -> Surface:
    placed = np.column_stack((to_site(line.frame, points[:, :2]), points[:, 2]))
    return Surface(kind=kind, name=line.name, points=placed)


def _painted(edge: Edge) -> list[Surface]:
    strips = []
    for a, b in zip(edge.points[:-1], edge.points[1:], strict=True):
        length = np.linalg.norm(b - a)
        if length < 1e-6:
            continue
        aside = np.array([a[1] - b[1], b[0] - a[0]]) / length * _LINE / 2
        strip = np.array([a - aside, b - aside, b + aside, a + aside])
        strips.append(Surface(kind="line", name=edge.name, points=_lifted(strip, 0.005)))
    return strips


def _solid(obstacle: Obstacle) -> Solid:
    footprint = _counter_clockwise(obstacle.polygon)
    name, high = obstacle.name, obstacle.height
    if obstacle.kind == "vehicle":
        surfaces = _vehicle(name, footprint, high)
    elif obstacle.kind == "cone":
        surfaces = _cone(name, footprint, high)
    else:
        surfaces = prism(obstacle.kind, name, footprint, 0.0, high)
    return Solid(footprint=footprint, surfaces=tuple(surfaces))


def _counter_clockwise(polygon: Floats) -> Floats:
    after = np.roll(polygon, -1, axis=0)
    turns = float((polygon[:, 0] * after[:, 1] - after[:, 0] * polygon[:, 1]).sum())
    return polygon if turns > 0 else polygon[::-1]


def _cone(name: str, footprint: Floats, high: float) -> list[Surface]:
    top = (*footprint.mean(axis=0), high)
    after = np.roll(footprint, -1, axis=0)
    return [
        Surface(kind="cone", name=name, points=np.array([(*a, 0.0), (*b, 0.0), top]))
        for a, b in zip(footprint, after, strict=True)
    ]


def _vehicle(name: str, footprint: Floats, high: float) -> list[Surface]:
    """A parked one: its lower body with wheels, then the cabin on it with its windows."""
    waist = min(_WAIST, 0.62 * high)
    middle, (ahead, left) = footprint.mean(axis=0), _axes(footprint)
    off = footprint - middle
    drawn_in = np.outer(off @ ahead * _CABIN[0], ahead) + np.outer(off @ left * _CABIN[1], left)
    body = prism("vehicle", name, footprint, _SKIRT, waist)
    cabin = _tapered(name, middle + drawn_in, middle + 0.9 * drawn_in, waist, high)
    long, wide = np.ptp(off @ ahead) / 2, np.ptp(off @ left) / 2
    wheels = [
        _wheel(name, middle + end * (long - _AXLE) * ahead + side * wide * left, ahead, side)
        for end in (1, -1)
        for side in (1, -1)
    ]
    return [*body, *wheels, *cabin]


def _axes(footprint: Floats) -> tuple[Floats, Floats]:
    """Unit vectors (2,) along its longest side, and to the left of that."""
    sides = np.roll(footprint, -1, axis=0) - footprint
    ahead = sides[np.linalg.norm(sides, axis=1).round(6).argmax()]
    ahead = ahead / np.linalg.norm(ahead)
    return ahead, np.array([-ahead[1], ahead[0]])


def _wheel(name: str, at: Floats, ahead: Floats, side: int) -> Surface:
    turn = np.linspace(0, 2 * np.pi, 14, endpoint=False) * -side
    along, up = _WHEEL * np.cos(turn), _WHEEL * (1 + np.sin(turn))
    return Surface(
        kind="wheel", name=name, points=np.column_stack((at + along[:, None] * ahead, up))
    )


def _tapered(name: str, base: Floats, top: Floats, low: float, high: float) -> list[Surface]:
    """A cabin's walls, each with its window or two, then its roof."""
    after, above = np.roll(base, -1, axis=0), np.roll(top, -1, axis=0)
    made = []
    for a, b, c, d in zip(base, after, top, above, strict=True):
        wall = np.array([(*a, low), (*b, low), (*d, high), (*c, high)])
        made.append(Surface(kind="vehicle", name=name, points=wall))
        panes = (
            ((0.04, 0.48), (0.52, 0.96)) if np.linalg.norm(b - a) > _LONG_WALL else ((0.05, 0.95),)
        )
        for begin, end in panes:
            window = np.array([_in_wall(wall, along, up) for along, up in (
                (begin, 0.06), (end, 0.06), (end, 0.86), (begin, 0.86))])  # fmt: skip
            made.append(Surface(kind="vehicle glass", name=name, points=window))
    return [*made, Surface(kind="vehicle top", name=name, points=_lifted(top, high))]


def _in_wall(wall: Floats, along: float, up: float) -> Floats:
    """A place in a wall (4, 3), by shares of its length and of its height."""
    low, high = wall[0] + along * (wall[1] - wall[0]), wall[3] + along * (wall[2] - wall[3])
    return np.asarray(low + up * (high - low))
