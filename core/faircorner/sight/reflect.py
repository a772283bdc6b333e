"""Where a mirror shows a place: the point of its glass at which the light turns to the eye.

Flat mirrors by the mirror image; convex ones solved on their sphere. docs/sums/mirrors.md.
"""

import numpy as np
from scipy.optimize import elementwise
from shapely import intersects_xy

from faircorner.plane import Floats
from faircorner.vehicle import Mirror

__all__ = ["reflections"]


def reflections(mirror: Mirror, eye: Floats, places: Floats) -> Floats:
    """Where on the glass each place (n, 3) is seen from the eye (3,), (n, 3) m; NaN where nowhere.

    Nothing is taken to stand in between: neither what is outside nor the vehicle's own body.
    """
    if mirror.radius is None:
        hits = _on_a_plane(mirror, eye, places)
    else:
        hits = _on_a_sphere(mirror, mirror.radius, eye, places)
    off = hits - mirror.centre
    hits[~intersects_xy(mirror.face, off @ mirror.across, off @ mirror.up)] = np.nan
    return hits


def _on_a_plane(mirror: Mirror, eye: Floats, places: Floats) -> Floats:
    """Halfway, as the distances from the glass have it, to the place's image behind it."""
    before, beyond = (eye - mirror.centre) @ mirror.aim, (places - mirror.centre) @ mirror.aim
    facing = (before > 0) & (beyond > 0)
    images = places - 2 * beyond[:, None] * mirror.aim
    share = np.divide(before, before + beyond, out=np.full(len(places), np.nan), where=facing)
    return np.asarray(eye + share[:, None] * (images - eye))


def _on_a_sphere(mirror: Mirror, radius: float, eye: Floats, places: Floats) -> Floats:
    """In the plane of eye, place and the sphere's middle: where both angles to the radius agree.

    With the eye `a` and the place `b` from the middle and an angle `wide` between them, the sines
    of both angles at a point of the circle rise from 0 to 1 as it goes from each one's own radius
    to where it only grazes, so that between the two grazes they agree once.
    """
    middle = mirror.centre - radius * mirror.aim
    out, far = eye - middle, places - middle
    a, b = float(np.linalg.norm(out)), np.linalg.norm(far, axis=1)
    toward = out / a
    level = far - (far @ toward)[:, None] * toward
    across = np.linalg.norm(level, axis=1)
    wide = np.arctan2(across, far @ toward)
    # Straight behind the eye every plane will do.
    aside = np.divide(level, across[:, None], out=np.zeros_like(level), where=across[:, None] > 0)
    with np.errstate(invalid="ignore"):
        grazes, theirs = np.arccos(radius / a), np.arccos(radius / b)
    low, high = np.maximum(wide - theirs, 0.0), np.minimum(wide, grazes)
    found = np.full(len(places), np.nan)
    there = (a > radius) & (b > radius) & (low <= high)
    if there.any():
        found[there] = elementwise.find_root(
            lambda at, b, wide: _sine(radius, a, at) - _sine(radius, b, wide - at),
            (low[there], high[there]), args=(b[there], wide[there]),
        ).x  # fmt: skip
    turned = np.cos(found)[:, None] * toward + np.sin(found)[:, None] * aside
    # Only the side that the glass looks to is silvered.
    turned[turned @ mirror.aim <= 0] = np.nan
    return np.asarray(middle + radius * turned)


def _sine(radius: float, away: Floats | float, angle: Floats) -> Floats:
    """Sine of the angle to the radius at which something `away` from the middle is seen from a
    point of the circle, `angle` from its own radius.
    """
    distance = np.sqrt(radius**2 + np.square(away) - 2 * radius * away * np.cos(angle))
    return np.asarray(away * np.sin(angle) / distance)
