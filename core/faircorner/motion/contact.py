"""How near a moving outline comes to what stands around it. Derivation: docs/sums/contact.md.

Gaps are signed: positive is free space, negative how deep the shapes overlap.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import TypeAlias

import numpy as np
from numpy.typing import NDArray

from faircorner.compiled import compiled, whole
from faircorner.plane import Floats

__all__ = ["Clearance", "clearance"]

Samples: TypeAlias = NDArray[np.int64]

# Gaps that differ by less are a tie of rounding, m; the first of ties is told.
_TIE = 1e-12
# Between two samples a touch is looked for until one deeper than this is ruled out, m.
_SLIGHT = 0.0005
# Stretches that may wait to be looked at: one more at every halving of the longest there is.
_HALVINGS = 40


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Clearance:
    """The least gap of each attempt, (attempts,) metres, and at which sample, the first of ties."""

    metres: Floats
    sample: Samples


@compiled
def _gap(one: Floats, other: Floats) -> float:
    """Signed gap of two convex polygons (n, 2) and (m, 2), both anticlockwise.

    Disjoint shapes: the least corner-to-edge distance, exact for polygons. Overlapping ones:
    minus the least shift that parts them (separating axis theorem; Ericson, Real-Time
    Collision Detection, 2005, section 5.2.1).
    """
    squared, separation = np.inf, -np.inf
    for points, corners in ((one, other), (other, one)):
        for i in range(len(corners)):
            ax, ay = corners[i - 1]
            ex, ey = corners[i, 0] - ax, corners[i, 1] - ay
            length = ex * ex + ey * ey
            beside = np.inf
            for j in range(len(points)):
                rx, ry = points[j, 0] - ax, points[j, 1] - ay
                share = min(max((rx * ex + ry * ey) / length, 0.0), 1.0)
                squared = min(squared, (rx - share * ex) ** 2 + (ry - share * ey) ** 2)
                beside = min(beside, rx * ey - ry * ex)
            separation = max(separation, beside / np.sqrt(length))
    if separation >= 0:
        return float(np.sqrt(squared))
    return float(separation)


@compiled
def _apart(one: Floats, other: Floats) -> float:
    """How far apart the upright boxes around two polygons stand, the greater of both axes."""
    apart = -np.inf
    for axis in range(2):
        low, high, other_low, other_high = np.inf, -np.inf, np.inf, -np.inf
        for i in range(len(one)):
            low, high = min(low, one[i, axis]), max(high, one[i, axis])
        for i in range(len(other)):
            other_low = min(other_low, other[i, axis])
            other_high = max(other_high, other[i, axis])
        apart = max(apart, other_low - high, low - other_high)
    return apart


@compiled
def _look(x: float, y: float, heading: float, polygon: Floats, seen: Floats) -> None:
    """A polygon on the site as it lies from a pose, written to `seen`, both (m, 2)."""
    cos, sin = np.cos(heading), np.sin(heading)
    for k in range(len(polygon)):
        dx, dy = polygon[k, 0] - x, polygon[k, 1] - y
        seen[k, 0], seen[k, 1] = cos * dx + sin * dy, cos * dy - sin * dx


@compiled
def _nearer(
    poses: Floats, piece: Floats, polygon: Floats, metres: Floats, samples: Samples
) -> None:
    """Lower each attempt's least gap so far, and its sample, by those of one piece.

    Most poses are passed over without the exact sums, and never one that could change the
    answer: a gap shrinks by no more than the piece's farthest point has moved, and is no less
    than the room between the upright boxes around both.
    """
    reach = np.sqrt((piece**2).sum(axis=1).max())
    seen = np.empty_like(polygon)
    count = poses.shape[1]
    # Every eighth first, which comes near the least at once.
    order = np.concatenate((np.arange(0, count, 8), np.arange(count)))
    for i in range(poses.shape[0]):
        known, x_known, y_known, heading_known = -np.inf, 0.0, 0.0, 0.0
        for j in order:
            x, y, heading = poses[i, j]
            moved = np.hypot(x - x_known, y - y_known) + reach * abs(heading - heading_known)
            if known - moved > metres[i] + _TIE:
                continue
            _look(x, y, heading, polygon, seen)
            known, x_known, y_known, heading_known = _apart(piece, seen), x, y, heading
            if known > metres[i] + _TIE:
                continue
            known = _gap(piece, seen)
            if known < metres[i] - _TIE or (known <= metres[i] + _TIE and j < samples[i]):
                samples[i] = j
            metres[i] = min(metres[i], known)


@compiled
def _touching_between(
    poses: Floats, ways: int, piece: Floats, polygon: Floats, metres: Floats, samples: Samples
) -> None:
    """Lower the gap of each attempt that touches at no sample, but on the way from one to the next.

    poses, ways : as for `clearance`; metres, samples : (attempts,), the least gaps so far and where

    The way is taken as straight and evenly turned. No point of the piece is farther from where it
    is half-way than half of what the farthest moves, so stretches whose middle is farther off than
    that are done with, the others halved.
    """
    reach = np.sqrt((piece**2).sum(axis=1).max())
    seen = np.empty_like(polygon)
    middles, halves = np.empty(_HALVINGS), np.empty(_HALVINGS)
    each = poses.shape[1] // ways
    for i in range(poses.shape[0]):
        # No gap at the sample is less than this.
        clear = metres[i]
        for j in range(poses.shape[1] - 1):
            dx, dy, turned = poses[i, j + 1] - poses[i, j]
            moved = np.hypot(dx, dy) + reach * abs(turned)
            here, clear = clear, max(metres[i], clear - moved)
            if here - moved / 2 >= -_SLIGHT or (j + 1) % each == 0:
                continue
            waiting, middles[0], halves[0] = 1, 0.5, 0.5
            while waiting:
                waiting -= 1
                middle, half = middles[waiting], halves[waiting]
                x, y = poses[i, j, 0] + middle * dx, poses[i, j, 1] + middle * dy
                heading = poses[i, j, 2] + middle * turned
                _look(x, y, heading, polygon, seen)
                least = min(metres[i], 0.0) - _SLIGHT
                gap = _apart(piece, seen)
                if half == 0.5:
                    clear = max(clear, gap - half * moved)
                if gap - half * moved >= least:
                    continue
                gap = _gap(piece, seen)
                if gap < min(metres[i], 0.0):
                    metres[i], samples[i] = gap, j + (middle > 0.5)
                if gap - half * moved < least and waiting + 2 <= _HALVINGS:
                    for side in (-0.5, 0.5):
                        middles[waiting], halves[waiting] = middle + side * half, half / 2
                        waiting += 1


def clearance(
    poses: Floats, outline: Sequence[Floats], polygon: Floats, *, ways: int = 1,
    between: bool = False,
) -> Clearance:  # fmt: skip
    """Least signed gap between a moving outline and a standing convex polygon.

    poses : (attempts, n, 3), so many ways one after another, each of n / ways
    outline : convex pieces (k, 2) in the body's frame, either way round
    polygon : (m, 2), convex, on the site, either way round
    between : whether a touch counts too that comes on the way from one pose to the next
    """
    metres = np.full(len(poses), np.inf)
    samples = np.zeros(len(poses), dtype=np.int64)
    standing, looked_at = _anticlockwise(whole(polygon)), whole(poses)
    pieces = [_anticlockwise(whole(piece)) for piece in outline]
    for piece in pieces:
        _nearer(looked_at, piece, standing, metres, samples)
    clear = metres > 0
    if between and clear.any():
        kept, gaps, at = looked_at[clear], metres[clear], samples[clear]
        for piece in pieces:
            _touching_between(kept, ways, piece, standing, gaps, at)
        metres[clear], samples[clear] = gaps, at
    return Clearance(metres=metres, sample=samples)


@compiled
def _anticlockwise(polygon: Floats) -> Floats:
    twice = 0.0
    for i in range(len(polygon)):
        twice += polygon[i - 1, 0] * polygon[i, 1] - polygon[i, 0] * polygon[i - 1, 1]
    return polygon[::-1].copy() if twice < 0 else polygon.copy()
