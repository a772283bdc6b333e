"""What a mirror shows, on its own glass: across and up from its middle, m. docs/sums/mirrors.md."""

from collections.abc import Iterable

import numpy as np
from shapely import Polygon, intersection, make_valid

from faircorner.compiled import compiled, whole
from faircorner.picture.camera import beyond
from faircorner.picture.order import far_to_near
from faircorner.picture.part import Part
from faircorner.picture.surface import Solid, Surface
from faircorner.plane import Floats
from faircorner.sight import images, on_glass
from faircorner.vehicle import Mirror

__all__ = ["image_of", "reflected"]

# A straight edge is bent in a convex glass: it is shown by pieces, at most so many.
_PIECES = 6
# What lies nearer to the plane of the glass than this is cut away, m.
_BEFORE = 0.03
# Smaller than this nothing shows, m².
_SPECK = 1e-8


def reflected(
    mirror: Mirror, eye: Floats, flat: Iterable[Surface], solids: Iterable[Solid],
    own: Iterable[Surface], *, both_sides: bool = False,
) -> list[Part]:  # fmt: skip
    """The scene in the glass, painted from the first part to the last, cut to its outline.

    eye : (3,), in the vehicle's frame as all else; own : of the vehicle itself, the nearest
    both_sides : whether what turns its back shows too, as a cabin does from within
    """
    # Seen from behind the glass: the eye's own image, or about the middle of a convex one's.
    behind = mirror.centre - mirror.aim * (
        float((eye - mirror.centre) @ mirror.aim) if mirror.radius is None else 0.0
    )
    standing = [one for solid in far_to_near(list(solids), behind[:2]) for one in solid.surfaces]
    surfaces = [*flat, *(one for one in standing if one.faces(behind)),
                *(one for one in own if both_sides or one.faces(behind))]  # fmt: skip
    return _drawn(mirror, eye, surfaces)


def _drawn(mirror: Mirror, eye: Floats, surfaces: list[Surface]) -> list[Part]:
    """All surfaces in one go: to solve for many places costs little more than for one."""
    shown = [(one, _piecewise(mirror, one.points)) for one in surfaces]
    shown = [(one, points) for one, points in shown if len(points) >= 3]
    if not shown:
        return []
    glass = image_of(mirror, eye, np.vstack([points for _, points in shown]))
    ends = np.cumsum([len(points) for _, points in shown])[:-1]
    kept = [
        (one, places)
        for (one, _), whole in zip(shown, np.split(glass, ends), strict=True)
        for places in [whole[~np.isnan(whole[:, 0])]]
        if len(places) >= 3
    ]
    shapes = make_valid(np.array([Polygon(places) for _, places in kept]))
    cut = intersection(shapes, mirror.face)
    return [
        Part(kind=one.kind, name=one.name, points=np.array(piece.exterior.coords)[:-1])
        for (one, _), shape in zip(kept, cut, strict=True)
        for piece in getattr(shape, "geoms", [shape])
        if isinstance(piece, Polygon) and piece.area > _SPECK
    ]


def image_of(mirror: Mirror, eye: Floats, places: Floats) -> Floats:
    """Where places (n, 3) appear in the plane of a glass, (n, 2) across and up; NaN where not."""
    return on_glass(mirror, images(mirror, eye, places))


def _piecewise(mirror: Mirror, points: Floats) -> Floats:
    """A polygon's part before the glass, its edges in pieces where the glass is convex."""
    cut = beyond(points, mirror.centre + _BEFORE * mirror.aim, mirror.aim)
    if mirror.radius is None or len(cut) < 3:
        return cut
    return _pieces(whole(cut), mirror.centre, _PIECES)


@compiled
def _pieces(points: Floats, centre: Floats, count: int) -> Floats:
    """Every edge of a polygon (n, 3) in so many pieces, evenly as seen from a centre (3,) and not
    on the ground: by the inverse of the distance from there.
    """
    last = len(points)
    found = np.empty((last * count, 3))
    away = np.sqrt(((points - centre) ** 2).sum(axis=1))
    for i in range(last):
        j = (i + 1) % last
        for k in range(count):
            step = k / count
            share = step * away[i] / (step * away[i] + (1 - step) * away[j])
            found[i * count + k] = points[i] + share * (points[j] - points[i])
    return found
