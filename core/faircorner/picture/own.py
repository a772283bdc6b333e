"""The own vehicle in the picture: what of its body shows outside, and the cabin round the driver.

The cabin is made of its glass: what lies between two panes of a side is a pillar, what lies below
them the door, above them the roof; before the driver the dashboard runs from the windscreen's foot.
"""

from collections.abc import Iterable, Iterator
from itertools import pairwise

import numpy as np

from faircorner.picture.surface import Surface
from faircorner.plane import Floats
from faircorner.vehicle import Block, Mirror, Opening, Vehicle, blocks_of, outer_blocks

__all__ = ["CASE", "body_of", "cabin_of", "housing", "outer", "steering_wheel"]

# How deep the dashboard is and how far below the windscreen's foot it lies, m; where the floor is.
_DASH, _DROP, _FLOOR = 0.42, 0.05, 0.35
# A mirror's housing: larger than its glass by so much, and so deep, m.
CASE, _DEEP = 1.13, 0.09
# Radius of a road wheel, and of the steering wheel, m.
_WHEEL, _RING = 0.30, 0.185
# What is on a flank stands out of it by so little that it is only drawn over it.
_PROUD = 1.002


def body_of(vehicle: Vehicle) -> list[Surface]:
    """All of the body from outside, with its wheels and glass, from the tail to the nose."""
    faces = _faces(reversed(blocks_of(vehicle)))
    half = vehicle.width / 2
    wheels = [_wheel(x, half if y > 0 else -half) for x, y in vehicle.axle_ends]
    panes = [
        Surface(kind="own glass", name=pane.name, points=_outward(pane))
        for pane in vehicle.glass
    ]  # fmt: skip
    marks = [_mark(mark.x, mark.y, mark.z) for mark in vehicle.features if "handle" in mark.name]
    return [*faces, *wheels, *panes, *marks]


def _mark(x: float, y: float, z: float) -> Surface:
    """A door handle on the flank, as seen from outside."""
    side = np.sign(y)
    long, high = 0.10 * side, 0.018
    points = [(x + long, -high), (x - long, -high), (x - long, high), (x + long, high)]
    return Surface(kind="handle", name="", points=np.array(
        [(at, y * _PROUD, z + up) for at, up in points]))  # fmt: skip


def steering_wheel(eye: Floats) -> Surface:
    """Before the driver's eye (3,): a ring tilted toward them, as one polygon with a slit."""
    turn = np.linspace(0, 2 * np.pi, 41)
    middle = eye + [0.42, 0.0, -0.40]
    # Its face leans back by a quarter of a right angle.
    up = np.array([-np.sin(0.42), 0.0, np.cos(0.42)])
    left = np.array([0.0, 1.0, 0.0])
    rings = [
        middle + radius * (np.outer(np.cos(way), left) + np.outer(np.sin(way), up))
        for radius, way in ((_RING, turn), (_RING - 0.03, turn[::-1]))
    ]
    return Surface(kind="steering wheel", name="", points=np.vstack(rings))


def outer(vehicle: Vehicle) -> list[Surface]:
    """What of the body stands beyond the panes: a bonnet, a boot, a load; farthest pieces first."""
    far = sorted(outer_blocks(vehicle), key=lambda one: -float(np.abs(one.corners[:, 0]).max()))
    return _faces(far)


def _faces(blocks: Iterable[Block]) -> list[Surface]:
    """All but what lies underneath."""
    return [
        Surface(kind="own top" if name == "top" else "own", name="", points=points)
        for block in blocks
        for name, points in block.faces()
        if name != "bottom"
    ]


def _wheel(x: float, flank: float) -> Surface:
    """One whose outer face is flush with a flank, at y = flank, as seen from outside."""
    turn = np.linspace(0, 2 * np.pi, 16, endpoint=False) * -np.sign(flank)
    along, up = x + _WHEEL * np.cos(turn), _WHEEL * (1 + np.sin(turn))
    ring = np.column_stack((along, np.full(16, flank * _PROUD), up))
    return Surface(kind="wheel", name="", points=ring)


def _outward(pane: Opening) -> Floats:
    """A pane's corners, counter-clockwise as seen from outside."""
    middle = pane.corners.mean(axis=0)
    away = pane.normal * np.sign(pane.normal @ (middle - [middle[0] * 0.5, 0.0, middle[2]]) or 1.0)
    a, b, c = pane.corners[:3]
    ahead = float(np.cross(b - a, c - a) @ away) > 0
    return pane.corners if ahead else pane.corners[::-1]


def housing(mirror: Mirror) -> Floats:
    """Places (n, 3) of the housing round a mirror's glass, whose outline hides what is behind."""
    ring = CASE * mirror.outline
    face = mirror.placed(ring)
    # What is stuck to another glass has that one's.
    if mirror.on:
        return face
    back = mirror.centre + 0.85 * (face - mirror.centre) - _DEEP * mirror.aim
    return np.vstack((face, back))


def cabin_of(vehicle: Vehicle) -> list[Surface]:
    """What a driver sees of the cabin between its panes; none where no pane is known."""
    if not vehicle.glass:
        return []
    made = [*_ends(vehicle)]
    for side in (1, -1):
        made += _side(vehicle, side)
    return [*made, *_dash(vehicle)]


def _side(vehicle: Vehicle, side: int) -> Iterator[Surface]:
    """Doors below the panes of one side, the roof's edge above, pillars between."""
    panes = sorted(
        (p.corners for p in vehicle.glass if p.seen == (0, 2) and p.corners[0, 1] * side > 0),
        key=lambda corners: -corners[:, 0].mean(),
    )
    for corners in panes:
        (rear, front), (top_rear, top_front) = _rows(corners)
        yield _of("door", [rear, front, _at(front, _FLOOR), _at(rear, _FLOOR)])
        over = _roof(vehicle, top_rear)
        yield _of(
            "roof", [top_rear, top_front, _inboard(top_front, over), _inboard(top_rear, over)]
        )
    for ahead, behind in pairwise(panes):
        (low, _), (high, _) = _rows(ahead)
        (_, low_behind), (_, high_behind) = _rows(behind)
        yield _of("pillar", [low, high, high_behind, low_behind])
        yield _of("door", [low, low_behind, _at(low_behind, _FLOOR), _at(low, _FLOOR)])
    if panes:
        yield from _corner_pillars(vehicle, side, panes)


def _corner_pillars(vehicle: Vehicle, side: int, panes: list[Floats]) -> Iterator[Surface]:
    """Between the windscreen's edge and the first side pane, the rear window's and the last."""
    for pane in vehicle.glass:
        if pane.seen == (0, 2):
            continue
        edge = pane.corners[pane.corners[:, 1] * side > 0]
        if len(edge) < 2:
            continue
        low, high = edge[edge[:, 2].argmin()], edge[edge[:, 2].argmax()]
        front = low[0] > panes[0][:, 0].mean()
        rows = _rows(panes[0] if front else panes[-1])
        beside = [row[1 if front else 0] for row in rows]
        yield _of("pillar", [low, high, beside[1], beside[0]])
        yield _of("door", [low, beside[0], _at(beside[0], _FLOOR), _at(low, _FLOOR)])


def _ends(vehicle: Vehicle) -> Iterator[Surface]:
    """The roof over the cabin, and what lies below the windows at its ends."""
    for pane in vehicle.glass:
        if pane.seen == (0, 2):
            continue
        order = pane.corners[:, 2].argsort(kind="stable")
        low, high = pane.corners[order[:2]], pane.corners[order[-2:]]
        yield _of("door", [low[0], low[1], _at(low[1], _FLOOR), _at(low[0], _FLOOR)])
        middle = np.mean([p.corners[:, 0].mean() for p in vehicle.glass])
        over = _roof(vehicle, high[0])
        yield _of("roof", [high[0], high[1], *((middle, p[1], over) for p in high[::-1])])


def _roof(vehicle: Vehicle, glass: Floats) -> float:
    """Height of the roof inside, m: the body's, else a little above the glass's upper corner."""
    line = vehicle.roofline
    return float(line[:, 1].max()) if len(line) else float(glass[2]) + 0.1


def _dash(vehicle: Vehicle) -> Iterator[Surface]:
    screen = next((p for p in vehicle.glass if p.seen == (1, 2) or p.name == "windscreen"), None)
    if screen is None:
        return
    low = screen.corners[screen.corners[:, 2].argsort(kind="stable")[:2]]
    foot, half = low.mean(axis=0), np.abs(low[:, 1]).max() + 0.08
    far, near = foot[0], foot[0] - _DASH
    top, edge = foot[2] - 0.01, foot[2] - _DROP
    yield _of(
        "dash", [(far, half, top), (far, -half, top), (near, -half, edge), (near, half, edge)]
    )
    yield _of("dash face", [(near, half, edge), (near, -half, edge), (near - 0.1, -half, _FLOOR),
                            (near - 0.1, half, _FLOOR)])  # fmt: skip


def _rows(corners: Floats) -> tuple[Floats, Floats]:
    """A side pane's lower and upper edge, each (2, 3): rear end, front end."""
    order = corners[:, 2].argsort(kind="stable")
    half = len(corners) // 2
    rows = [corners[order[:half]], corners[order[half:]]]
    ends = [row[[row[:, 0].argmin(), row[:, 0].argmax()]] for row in rows]
    return ends[0], ends[1]


def _at(point: Floats, height: float) -> tuple[float, float, float]:
    return float(point[0]), float(point[1]), height


def _inboard(point: Floats, height: float) -> tuple[float, float, float]:
    return float(point[0]), 0.75 * float(point[1]), float(height)


def _of(kind: str, points: list[Floats] | list[tuple[float, float, float]]) -> Surface:
    return Surface(kind=kind, name="", points=np.array(points))
