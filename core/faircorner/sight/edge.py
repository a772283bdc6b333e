"""How an edge on the ground, such as a kerb, runs through the picture. docs/sums/sight.md.

A kerb has no end to line up on, but at every mark of the vehicle it runs at some height: what is
told is how far above or below that mark.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from faircorner.plane import Floats, to_body, to_site
from faircorner.sight.eye import Seat
from faircorner.sight.glass import Sighting, pane_hits
from faircorner.sight.sharpness import (
    ACUITY,
    CRAWL,
    LEAN,
    NEAR,
    REACTION,
    Onward,
    Sharpness,
    same_again,
)
from faircorner.sight.told import HIGH
from faircorner.vehicle import Feature, Vehicle

__all__ = ["EdgeSight", "edge_sights"]

# An edge farther off than this is too flat in the picture to tell, m.
_FARTHEST = 25.0


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class EdgeSight:
    """An edge seen past one mark of the vehicle.

    sighting : told by its height, m above the mark; through None where the body hides the edge
    sharpness : but for leaning; leaning : with what that does to it, which takes longer
    ground : (2,), m on the site, where the edge is met past that mark
    """

    sighting: Sighting
    sharpness: Sharpness
    leaning: Callable[[], Sharpness]
    ground: Floats


def _met(seat: Seat, feature: Feature, pose: Floats, edge: Floats) -> tuple[Floats, float] | None:
    """Where the level line from the eye past a mark meets the edge, (2,) m in the vehicle's frame.

    And how many times farther off than the mark that is; None where it is not met beyond it.
    """
    eye = seat.eye_toward(np.array([feature.x, feature.y, feature.z]))
    a, b = to_body(pose, edge)
    out = np.array([feature.x, feature.y]) - eye[:2]
    along = b - a
    turned = out[0] * along[1] - out[1] * along[0]
    if abs(turned) < 1e-9 or np.hypot(*out) < 1e-6:
        return None
    to = a - eye[:2]
    share = (to[0] * along[1] - to[1] * along[0]) / turned
    if share <= 1 or share * np.hypot(*out) > _FARTHEST:
        return None
    return eye[:2] + share * out, float(share)


def _height(eye: Floats, share: float) -> float:
    """m above ground at which the edge runs past the mark."""
    return float(eye[2] * (1 - 1 / share))


def edge_sights(
    vehicle: Vehicle, seat: Seat, onward: Onward, edge: Floats, *, lean: float = LEAN
) -> list[EdgeSight]:
    """An edge past every mark of the vehicle that it is seen beyond, at a call.

    onward : see `Onward`
    edge : (2, 2), m on the site, two places of a straight edge on the ground
    """
    found = []
    pose, leaning = onward(0.0), seat.leaning(lean)
    for feature in vehicle.features:
        met = [_met(seat, feature, onward(by), edge) for by in (-NEAR, 0.0, NEAR)]
        before, now, after = met
        if before is None or now is None or after is None:
            continue
        eye = seat.eye_toward(np.array([feature.x, feature.y, feature.z]))
        out = np.hypot(feature.x - eye[0], feature.y - eye[1])
        heights = [_height(eye, share) for _, share in (before, now, after)]
        moved = _moved(leaning, feature, onward, edge, heights[1])
        sight = _sighting(vehicle, eye, feature, now[0], heights[1])
        # The picture's angle at the eye, for one centimetre at the mark.
        rises = abs(heights[2] - heights[0]) / (2 * NEAR)
        turned = rises * out / (out**2 + (eye[2] - heights[1]) ** 2)
        blur = ACUITY / turned if turned > 1e-6 else np.inf
        sharp = Sharpness(scatter=float(np.hypot(blur, REACTION * CRAWL)), lean=lean)
        found.append(
            EdgeSight(
                sighting=sight,
                sharpness=sharp,
                leaning=partial(_leaning, sharp, moved),
                ground=to_site(pose, now[0][None])[0],
            )
        )
    return found


def _leaning(sharp: Sharpness, moved: Callable[[float], float]) -> Sharpness:
    return replace(sharp, image=moved(0.0), late=same_again(moved))


def _moved(
    leaning: Seat, feature: Feature, onward: Onward, edge: Floats, height: float
) -> Callable[[float], float]:
    """Of m rolled on: how far the edge runs above where it ran past a mark, to a leaning driver."""
    eye = leaning.eye_toward(np.array([feature.x, feature.y, feature.z]))

    def moved(by: float) -> float:
        met = _met(leaning, feature, onward(by), edge)
        return float("nan") if met is None else _height(eye, met[1]) - height

    return moved


def _sighting(
    vehicle: Vehicle, eye: Floats, feature: Feature, ground: Floats, height: float
) -> Sighting:
    target = np.append(ground, 0.0)
    panes = ((pane.name, pane_hits(pane, eye, target[None])[0]) for pane in vehicle.glass)
    through, hit = next(
        ((name, hit) for name, hit in panes if not np.isnan(hit[0])),
        (None, np.array([feature.x, feature.y, height])),
    )
    return Sighting(
        eye=eye,
        through=through,
        x=float(hit[0]),
        y=float(hit[1]),
        z=float(hit[2]),
        bearing=float(np.arctan2(ground[1] - eye[1], ground[0] - eye[0])),
        told=HIGH,
        feature=feature.name,
        offset=height - feature.z,
    )
