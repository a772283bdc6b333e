"""How near a moving outline comes to what stands around it. Derivation: docs/sums/contact.md.

Gaps are signed: positive is free space, negative how deep the shapes overlap.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from faircorner.plane import Floats, to_body

__all__ = ["Clearance", "clearance"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Clearance:
    """The least gap of each attempt, (attempts,) metres, and at which sample, the first of ties."""

    metres: Floats
    sample: np.ndarray[tuple[int], np.dtype[np.int64]]


def _edges(corners: Floats) -> tuple[Floats, Floats, Floats]:
    """Squared length, and direction x and y, of a closed polygon's edges; (..., m) each."""
    along = np.roll(corners, -1, axis=-2) - corners
    x, y = along[..., 0], along[..., 1]
    return x * x + y * y, x, y


def _against(points: Floats, corners: Floats) -> tuple[Floats, Floats]:
    """Points (..., n, 2) against an anticlockwise convex polygon (..., m, 2).

    Returns the least squared distance from any point to any edge, and the greatest distance by
    which one edge's line keeps all points off; (...,) each. Coordinates are kept in arrays of
    their own, since sums over a last axis of two are what costs in NumPy.
    """
    squared, ex, ey = (part[..., None, :] for part in _edges(corners))
    rx = points[..., :, None, 0] - corners[..., None, :, 0]
    ry = points[..., :, None, 1] - corners[..., None, :, 1]
    share = ((rx * ex + ry * ey) / squared).clip(0.0, 1.0)
    off = np.square(rx - share * ex) + np.square(ry - share * ey)
    beside = (rx * ey - ry * ex) / np.sqrt(squared)
    return off.min(axis=(-2, -1)), beside.min(axis=-2).max(axis=-1)


def _gap(piece: Floats, polygon: Floats) -> Floats:
    """Signed gap of a convex piece (n, 2) and convex polygons (k, m, 2), all anticlockwise.

    Disjoint shapes: the least corner-to-edge distance, exact for polygons. Overlapping ones:
    minus the least shift that parts them (separating axis theorem; Ericson, Real-Time
    Collision Detection, 2005, section 5.2.1).
    """
    off_piece, beside_piece = _against(polygon, piece)
    off_polygon, beside_polygon = _against(piece, polygon)
    separation = np.maximum(beside_piece, beside_polygon)
    return np.where(separation >= 0, np.sqrt(np.minimum(off_piece, off_polygon)), separation)


def _extent(cos: Floats, sin: Floats, points: Floats, shift: tuple[Floats, Floats]) -> Floats:
    """Bounds (low x, high x, low y, high y) of a few points turned at very many poses, (4, ...).

    A loop over the points keeps every sum on long arrays.
    """
    bounds = np.empty((4, *cos.shape))
    bounds[0::2], bounds[1::2] = np.inf, -np.inf
    for x, y in points:
        dx, dy = x - shift[0], y - shift[1]
        for axis, across in ((0, cos * dx - sin * dy), (1, sin * dx + cos * dy)):
            np.minimum(bounds[2 * axis], across, out=bounds[2 * axis])
            np.maximum(bounds[2 * axis + 1], across, out=bounds[2 * axis + 1])
    return bounds


def _apart(bounds: Floats, points: Floats) -> Floats:
    """How far apart boxes stand that hold `bounds` and `points`, the greater of both axes."""
    low, high = points.min(axis=0), points.max(axis=0)
    x = np.maximum(bounds[0] - high[0], low[0] - bounds[1])
    y = np.maximum(bounds[2] - high[1], low[1] - bounds[3])
    return np.asarray(np.maximum(x, y))


def _piece_clearance(
    poses: Floats, bound: Floats, piece: Floats, polygon: Floats, best: Floats
) -> Clearance:
    """Least gap of one piece wherever it can be below `best`, infinite where it cannot."""
    rows = np.arange(len(poses))
    # The gap at the pose with the least bound is attained, so nothing bounded above it can win.
    likely = poses[rows, bound.argmin(axis=1)]
    reached = np.minimum(_gap(piece, to_body(likely, polygon)), best)
    row, sample = np.nonzero(bound <= reached[:, None] + 1e-9)
    gaps = np.full(bound.shape, np.inf)
    gaps[row, sample] = _gap(piece, to_body(poses[row, sample], polygon))
    least = gaps.argmin(axis=1)
    return Clearance(metres=gaps[rows, least], sample=least)


def clearance(poses: Floats, outline: Sequence[Floats], polygon: Floats) -> Clearance:
    """Least signed gap between a moving outline and a standing convex polygon.

    poses : (attempts, n, 3)
    outline : convex pieces (k, 2) in the body's frame, either way round
    polygon : (m, 2), convex, on the site, either way round
    A cheap lower bound leaves the exact sums to the few poses that can hold the minimum, so
    that pruning never changes the answer.
    """
    standing = _anticlockwise(polygon)
    x, y = poses[..., 0], poses[..., 1]
    cos, sin = np.cos(poses[..., 2]), np.sin(poses[..., 2])
    seen = _extent(cos, -sin, standing, (x, y))
    parts: list[Clearance] = []
    best = np.full(len(poses), np.inf)
    for piece in map(_anticlockwise, outline):
        placed = _extent(cos, sin, piece, (np.zeros(()), np.zeros(())))
        placed += np.stack((x, x, y, y))
        bound = np.maximum(_apart(seen, piece), _apart(placed, standing))
        parts.append(_piece_clearance(poses, bound, piece, standing, best))
        best = np.minimum(best, parts[-1].metres)
    metres = np.stack([part.metres for part in parts])
    samples = np.stack([part.sample for part in parts])
    # The first sample among the pieces that come nearest.
    nearest = np.where(metres <= metres.min(axis=0) + 1e-12, samples, np.iinfo(np.int64).max)
    return Clearance(metres=metres.min(axis=0), sample=nearest.min(axis=0))


def _anticlockwise(polygon: Floats) -> Floats:
    x, y = polygon[:, 0], polygon[:, 1]
    area = x @ np.roll(y, -1) - y @ np.roll(x, -1)
    return polygon if area > 0 else polygon[::-1]
