"""The vehicle's body as solid blocks: what of it hides something, and what of it is seen.

docs/sums/picture.md. Cut across along the roofline into convex blocks: below the waist as wide as
the body, above it leaning in as its glass does.
"""

from collections.abc import Iterator
from dataclasses import dataclass, field
from functools import lru_cache
from itertools import pairwise

import numpy as np

from faircorner.compiled import compiled, whole
from faircorner.plane import Bools, Floats, frozen
from faircorner.vehicle.body import Vehicle
from faircorner.vehicle.features import Opening

__all__ = ["Block", "blocks_of", "outer_blocks", "stopped", "towed_blocks"]

# Room under a body, m; and how far it leans in for each metre above its waist where no glass tells.
_CLEAR, _LEAN = 0.18, 0.1
# Where a semi-trailer's body begins and ends, and a caravan's, m above the ground; assumed.
_SEMI, _CARAVAN = (1.00, 3.90), (0.30, 2.60)
# Shorter than this a piece is none, m.
_THIN = 0.02
# A ray that runs this little inside a block only grazes it, m.
_GRAZES = 0.001
# Which corners, of the front face counter-clockwise as seen from ahead, then of the rear face,
# bound each face; all seen from outside counter-clockwise.
_FACES = {
    "front": (0, 1, 2, 3), "rear": (7, 6, 5, 4), "left": (1, 5, 6, 2), "right": (4, 0, 3, 7),
    "top": (3, 2, 6, 7), "bottom": (4, 5, 1, 0),
}  # fmt: skip


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Block:
    """One convex piece of the body.

    corners : (8, 3), m in the vehicle's frame: its front face's, then its rear face's, from the
        low right one over the low left
    cabin : whether it has glass, so that a driver within looks out through that alone
    planes : (6, 4), of each face the unit vector outward and how far out it lies
    """

    corners: Floats
    cabin: bool
    planes: Floats = field(init=False, repr=False)

    def __post_init__(self) -> None:
        faces = np.array([points for _, points in self.faces()])
        # Twice the area's vector: it holds where a corner falls on its neighbour.
        normals = np.cross(faces[:, 2] - faces[:, 0], faces[:, 3] - faces[:, 1])
        size = np.linalg.norm(normals, axis=1)
        normals = np.divide(normals, size[:, None], out=np.zeros_like(normals),
                            where=size[:, None] > 0)  # fmt: skip
        away = np.einsum("ij,ij->i", normals, faces.mean(axis=1)) - _GRAZES
        # Where a piece runs out to an edge it has no face, and nothing lies outside that.
        away[size == 0] = np.inf
        object.__setattr__(self, "planes", frozen(np.column_stack((normals, away))))

    def faces(self) -> Iterator[tuple[str, Floats]]:
        """Each face's name and its corners (4, 3), counter-clockwise as seen from outside."""
        for name, at in _FACES.items():
            yield name, self.corners[list(at)]


def stopped(blocks: tuple[Block, ...], begins: Floats, ends: Floats) -> Bools:
    """Whether any block is in the way of each straight line between places (n, 3), m: (n,)."""
    if not blocks:
        return np.zeros(len(begins), dtype=bool)
    planes = np.array([block.planes for block in blocks])
    return _stopped(planes, whole(begins), whole(ends))


@compiled
def _stopped(planes: Floats, begins: Floats, ends: Floats) -> Bools:
    """By where a line enters and leaves what lies inside all planes of a block: (blocks, 6, 4),
    unit vectors outward and how far out each plane lies. Kay and Kajiya 1986.
    """
    found = np.zeros(len(begins), dtype=np.bool_)
    for i in range(len(begins)):
        for j in range(len(planes)):
            enter, leave = 0.0, 1.0
            for k in range(planes.shape[1]):
                x, y, z, away = planes[j, k]
                room = away - (x * begins[i, 0] + y * begins[i, 1] + z * begins[i, 2])
                along = (
                    x * (ends[i, 0] - begins[i, 0])
                    + y * (ends[i, 1] - begins[i, 1])
                    + z * (ends[i, 2] - begins[i, 2])
                )
                if along < 0:
                    enter = max(enter, room / along)
                elif along > 0:
                    leave = min(leave, room / along)
                elif room < 0:
                    leave = -1.0
            if enter < leave:
                found[i] = True
                break
    return found


def blocks_of(vehicle: Vehicle) -> tuple[Block, ...]:
    """The body's blocks from the nose to the tail; none where nobody knows its roofline.

    Worked out once for a body, whichever way its mirrors are turned.
    """
    return _cut(vehicle.roofline.tobytes(), vehicle.glass, vehicle.width)


def outer_blocks(vehicle: Vehicle) -> tuple[Block, ...]:
    """Those that stand beyond the panes of who sits inside: a bonnet, a boot, a load."""
    return _beyond(blocks_of(vehicle))


def towed_blocks(vehicle: Vehicle) -> tuple[Block, ...]:
    """What it tows, in line behind it; none where it tows nothing. Its heights are assumed."""
    trailer = vehicle.trailer
    if trailer is None:
        return ()
    nose = trailer.hitch + trailer.front_of_kingpin
    # One that lies on the towing vehicle is a semi-trailer, and one sees under it.
    low, high = _SEMI if trailer.hitch >= 0 else _CARAVAN
    half = trailer.width / 2
    ends = [_face(x, low, half, high, half) for x in (nose, nose - trailer.length)]
    return (Block(corners=frozen(np.vstack(ends)), cabin=False),)


@lru_cache(maxsize=64)
def _cut(told: bytes, glass: tuple[Opening, ...], width: float) -> tuple[Block, ...]:
    """told : the roofline as it lies in memory, which can be told from another"""
    roofline = np.frombuffer(told).reshape(-1, 2)
    if len(roofline) < 2:
        return ()
    waist, lean = _waist(roofline, glass)
    line = _met_at(waist, roofline)
    reach = [pane.corners[:, 0] for pane in glass] or [line[:, 0]]
    tail, nose = min(xs.min() for xs in reach), max(xs.max() for xs in reach)
    made = []
    for front, rear in pairwise(line):
        if front[0] - rear[0] >= _THIN:
            cabin = bool(tail < front[0] - _THIN and rear[0] + _THIN < nose)
            made += _pieces(front, rear, width / 2, waist, lean, cabin=cabin)
    return tuple(made)


@lru_cache(maxsize=64)
def _beyond(blocks: tuple[Block, ...]) -> tuple[Block, ...]:
    return tuple(block for block in blocks if not block.cabin)


def _waist(roofline: Floats, glass: tuple[Opening, ...]) -> tuple[float, float]:
    """Height of the lowest glass, m, and how far side glass leans in for each metre above it."""
    beside = [pane.corners for pane in glass if pane.seen == (0, 2)]
    if not beside:
        return float(roofline[:, 1].max()), _LEAN
    corners = np.abs(np.concatenate(beside))
    across, up = np.ptp(corners[:, 1]), np.ptp(corners[:, 2])
    return float(corners[:, 2].min()), float(across / up) if up > 0 else _LEAN


def _met_at(waist: float, line: Floats) -> Floats:
    """The roofline with a place more wherever it crosses the waist, (n, 2)."""
    places = [line[0]]
    for here, then in pairwise(line):
        if (here[1] - waist) * (then[1] - waist) < 0:
            share = (waist - here[1]) / (then[1] - here[1])
            places.append(here + share * (then - here))
        places.append(then)
    return np.array(places)


def _pieces(
    front: Floats, rear: Floats, half: float, waist: float, lean: float, *, cabin: bool
) -> list[Block]:
    """Between two places of the roofline: what lies below the waist, and what above it."""
    ends = ((float(front[0]), float(front[1])), (float(rear[0]), float(rear[1])))
    pieces = [np.vstack([_face(x, _CLEAR, half, min(z, waist), half) for x, z in ends])]
    if min(z for _, z in ends) >= waist and max(z for _, z in ends) > waist + _THIN:
        pieces.append(
            np.vstack([_face(x, waist, half, z, half - lean * (z - waist)) for x, z in ends])
        )
    return [Block(corners=frozen(corners), cabin=cabin) for corners in pieces]


def _face(x: float, low: float, wide: float, high: float, narrow: float) -> Floats:
    """Across the body at x: low right and left, high left and right, (4, 3)."""
    return np.array([(x, -wide, low), (x, wide, low), (x, narrow, high), (x, -narrow, high)])
