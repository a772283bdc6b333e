"""Poses, transforms and polygons in the plane.

A pose is the last axis ``(x, y, heading)``; leading axes are free.
"""

from typing import TypeAlias

import numpy as np
from numpy.typing import ArrayLike, NDArray

__all__ = ["Bools", "Floats", "box", "frozen", "mirrored", "to_body", "to_site", "wrap"]

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
    points : (n, 2), m, in the body's frame
    Returns (..., n, 2), m.

    >>> to_site([1.0, 0.0, np.pi / 2], [[2.0, 0.0]]).round(6)
    array([[1., 2.]])
    """
    p = np.asarray(poses, dtype=np.float64)[..., None, :]
    q = np.asarray(points, dtype=np.float64)
    cos, sin = np.cos(p[..., 2]), np.sin(p[..., 2])
    x = p[..., 0] + cos * q[..., 0] - sin * q[..., 1]
    y = p[..., 1] + sin * q[..., 0] + cos * q[..., 1]
    return np.stack((x, y), axis=-1)


def to_body(poses: ArrayLike, points: ArrayLike) -> Floats:
    """Points fixed on the site, seen from a body: the inverse of `to_site`.

    poses : (..., 3); points : (n, 2). Returns (..., n, 2), m.
    """
    p = np.asarray(poses, dtype=np.float64)[..., None, :]
    q = np.asarray(points, dtype=np.float64) - p[..., :2]
    cos, sin = np.cos(p[..., 2]), np.sin(p[..., 2])
    return np.stack((cos * q[..., 0] + sin * q[..., 1], cos * q[..., 1] - sin * q[..., 0]), axis=-1)


def mirrored(poses: ArrayLike) -> Floats:
    """Poses (..., 3) seen in a mirror along the x axis: left becomes right."""
    flipped = np.array(poses, dtype=np.float64)
    flipped[..., 1:] *= -1
    return flipped


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
