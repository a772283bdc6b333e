"""Poses, transforms and polygons in the plane.

A pose is the last axis ``(x, y, heading)``; leading axes are free.
"""

from typing import TypeAlias

import numpy as np
from numpy.typing import ArrayLike, NDArray

from faircorner.compiled import compiled, whole

__all__ = [
    "Bools",
    "Floats",
    "box",
    "frozen",
    "mirrored",
    "mirrored_box",
    "to_body",
    "to_site",
    "wrap",
]

Floats: TypeAlias = NDArray[np.float64]
Bools: TypeAlias = NDArray[np.bool_]


def frozen(values: ArrayLike) -> Floats:
    """A copy as floats that refuses to be written to, for use inside frozen dataclasses."""
    array = np.array(values, dtype=np.float64)
    array.setflags(write=False)
    return array


def wrap(angle: ArrayLike) -> Floats:
    """The same angle in [-pi, pi); radians, any shape.

    >>> wrap([3.5 * np.pi, 0.0]).round(3)
    array([-1.571,  0.   ])
    """
    turned = (np.asarray(angle, dtype=np.float64) + np.pi) % (2 * np.pi)
    return np.asarray(turned - np.pi)


def to_site(poses: ArrayLike, points: ArrayLike) -> Floats:
    """Points fixed in a body, seen from the site.

    poses : (..., 3), m and rad
    points : (*n, 2), m, in the body's frame
    Returns (..., *n, 2), m.

    >>> to_site([1.0, 0.0, np.pi / 2], [[2.0, 0.0]]).round(6)
    array([[1., 2.]])
    """
    p, q = np.asarray(poses, dtype=np.float64), np.asarray(points, dtype=np.float64)
    places = _placed(whole(p.reshape(-1, 3)), whole(q.reshape(-1, 2)))
    return places.reshape(*p.shape[:-1], *q.shape)


@compiled
def _placed(poses: Floats, points: Floats) -> Floats:
    placed = np.empty((len(poses), len(points), 2))
    for i in range(len(poses)):
        x, y, heading = poses[i]
        cos, sin = np.cos(heading), np.sin(heading)
        for j in range(len(points)):
            ahead, left = points[j]
            placed[i, j, 0] = x + cos * ahead - sin * left
            placed[i, j, 1] = y + sin * ahead + cos * left
    return placed


def to_body(poses: ArrayLike, points: ArrayLike) -> Floats:
    """Points fixed on the site, seen from a body: the inverse of `to_site`.

    poses : (..., 3); points : (*n, 2). Returns (..., *n, 2), m.
    """
    p, q = np.asarray(poses, dtype=np.float64), np.asarray(points, dtype=np.float64)
    places = _seen(whole(p.reshape(-1, 3)), whole(q.reshape(-1, 2)))
    return places.reshape(*p.shape[:-1], *q.shape)


@compiled
def _seen(poses: Floats, points: Floats) -> Floats:
    seen = np.empty((len(poses), len(points), 2))
    for i in range(len(poses)):
        x, y, heading = poses[i]
        cos, sin = np.cos(heading), np.sin(heading)
        for j in range(len(points)):
            dx, dy = points[j, 0] - x, points[j, 1] - y
            seen[i, j, 0] = cos * dx + sin * dy
            seen[i, j, 1] = cos * dy - sin * dx
    return seen


def mirrored(poses: ArrayLike) -> Floats:
    """Poses (..., 3), or places (..., 2), in a mirror along the x axis: left becomes right."""
    flipped = np.array(poses, dtype=np.float64)
    flipped[..., 1:] *= -1
    return flipped


def mirrored_box(corners: ArrayLike) -> Floats:
    """A box (2, 2) by its least and greatest x and y, m, in the same mirror.

    >>> mirrored_box([[0.0, -3.0], [2.0, 1.0]]).tolist()
    [[0.0, -1.0], [2.0, 3.0]]
    """
    (left, bottom), (right, top) = np.asarray(corners, dtype=np.float64)
    return np.array([(left, -top), (right, -bottom)])


def box(rear: float, front: float, half_width: float, corner_cut: float = 0.0) -> Floats:
    """A convex outline from x = rear to x = front, its corners cut at 45 degrees.

    All in metres. Returns (4, 2) without a cut and (8, 2) with one, anticlockwise from the
    rear right.

    >>> box(-0.7, 3.4, 0.9).tolist()
    [[-0.7, -0.9], [3.4, -0.9], [3.4, 0.9], [-0.7, 0.9]]
    """
    w, c = half_width, corner_cut
    if c == 0:
        return frozen([(rear, -w), (front, -w), (front, w), (rear, w)])
    return frozen(
        [
            (rear + c, -w),
            (front - c, -w),
            (front, -w + c),
            (front, w - c),
            (front - c, w),
            (rear + c, w),
            (rear, w - c),
            (rear, -w + c),
        ]
    )
