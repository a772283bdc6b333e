"""Where a mirror shows a place: the point of its glass at which the light turns to the eye.

Flat mirrors by the mirror image; convex ones solved on their sphere. docs/sums/mirrors.md.
"""

import numpy as np
from shapely import intersects_xy

from faircorner.compiled import compiled, whole
from faircorner.plane import Floats
from faircorner.vehicle import Mirror

__all__ = ["images", "on_glass", "reflections"]


def images(mirror: Mirror, eye: Floats, places: Floats) -> Floats:
    """Where on the glass, were it larger than it is, each place (n, 3) is seen from the eye (3,).

    (n, 3) m; NaN where a glass of its kind shows it nowhere.
    """
    if mirror.radius is None:
        return _on_a_plane(mirror, eye, places)
    return _on_a_sphere(mirror, mirror.radius, eye, places)


def reflections(mirror: Mirror, eye: Floats, places: Floats) -> Floats:
    """Where on the glass each place (n, 3) is seen from the eye (3,), (n, 3) m; NaN where nowhere.

    Nothing is taken to stand in between: neither what is outside nor the vehicle's own body.
    """
    hits = images(mirror, eye, places)
    glass = on_glass(mirror, hits)
    hits[~intersects_xy(mirror.face, glass[:, 0], glass[:, 1])] = np.nan
    return hits


def on_glass(mirror: Mirror, hits: Floats) -> Floats:
    """Places on a glass (n, 3) m of the vehicle's frame, (n, 2) across and up from its middle."""
    return mirror.on_glass(hits)


def _on_a_plane(mirror: Mirror, eye: Floats, places: Floats) -> Floats:
    """Halfway, as the distances from the glass have it, to the place's image behind it."""
    before, beyond = (eye - mirror.centre) @ mirror.aim, (places - mirror.centre) @ mirror.aim
    facing = (before > 0) & (beyond > 0)
    images = places - 2 * beyond[:, None] * mirror.aim
    share = np.divide(before, before + beyond, out=np.full(len(places), np.nan), where=facing)
    return np.asarray(eye + share[:, None] * (images - eye))


def _on_a_sphere(mirror: Mirror, radius: float, eye: Floats, places: Floats) -> Floats:
    middle = mirror.centre - radius * mirror.aim
    turned = _turned(radius, whole(eye - middle), whole(places - middle))
    # Only the side that the glass looks to is silvered.
    turned[turned @ mirror.aim <= 0] = np.nan
    return np.asarray(middle + radius * turned)


@compiled
def _turned(radius: float, eye: Floats, places: Floats) -> Floats:
    """Unit vectors (n, 3) from a sphere's middle to where it shows places (n, 3) to an eye (3,).

    All from the middle, m; NaN where it shows none. In the plane of eye, place and middle: where
    both angles to the radius agree. With the eye `a` and the place `b` from the middle and an angle
    `wide` between them, the sines of both angles at a point of the circle rise from 0 to 1 as it
    goes from each one's own radius to where it only grazes, so that between the two grazes they
    agree once.
    """
    found = np.full(places.shape, np.nan)
    a = np.sqrt((eye**2).sum())
    if a <= radius:
        return found
    toward, grazes = eye / a, np.arccos(radius / a)
    for i in range(len(places)):
        far = places[i]
        b = np.sqrt(far[0] ** 2 + far[1] ** 2 + far[2] ** 2)
        if not b > radius:
            continue
        along = far[0] * toward[0] + far[1] * toward[1] + far[2] * toward[2]
        aside = far - along * toward
        across = np.sqrt(aside[0] ** 2 + aside[1] ** 2 + aside[2] ** 2)
        wide = np.arctan2(across, along)
        low, high = max(wide - np.arccos(radius / b), 0.0), min(wide, grazes)
        if low > high:
            continue
        angle = _agreeing(radius, a, b, wide, low, high)
        # Straight behind the eye every plane will do.
        share = np.sin(angle) / across if across > 0 else 0.0
        found[i] = np.cos(angle) * toward + share * aside
    return found


@compiled
def _off(radius: float, a: float, b: float, wide: float, at: float) -> float:
    """How far the sines of both angles to the radius are apart at an angle from the eye's own."""
    other = wide - at
    eye = a * np.sin(at) / np.sqrt(radius**2 + a**2 - 2 * radius * a * np.cos(at))
    place = b * np.sin(other) / np.sqrt(radius**2 + b**2 - 2 * radius * b * np.cos(other))
    return float(eye - place)


@compiled
def _agreeing(radius: float, a: float, b: float, wide: float, low: float, high: float) -> float:
    """The angle from the eye's radius at which both sines agree, rad, between low and high.

    By false position with the older end's weight halved (Illinois; Dowell and Jarratt 1971), which
    keeps the root between its ends and soon needs none of the last digits.
    """
    left, right = low, high
    at_left, at_right = _off(radius, a, b, wide, left), _off(radius, a, b, wide, right)
    if not at_left * at_right < 0:
        return left if abs(at_left) <= abs(at_right) else right
    here = left
    for _ in range(100):
        here = (left * at_right - right * at_left) / (at_right - at_left)
        there = _off(radius, a, b, wide, here)
        if there == 0 or abs(right - left) < 1e-15 or abs(there) < 1e-15:
            break
        if there * at_right < 0:
            left, at_left = right, at_right
        else:
            at_left *= 0.5
        right, at_right = here, there
    return here
