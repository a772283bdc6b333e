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


def _met(eyes: Floats, marks: Floats, pose: Floats, edge: Floats) -> tuple[Floats, Floats]:
    """Where the level lines from eyes past marks meet the edge, (k, 2) m in the vehicle's frame.

    eyes, marks : (k, 3)
    And how many times farther off than its mark each is, (k,); NaN where it is not met beyond it.
    """
    a, b = to_body(pose, edge)
    out, to, along = marks[:, :2] - eyes[:, :2], a - eyes[:, :2], b - a
    turned = out[:, 0] * along[1] - out[:, 1] * along[0]
    away = np.hypot(out[:, 0], out[:, 1])
    told = (np.abs(turned) >= 1e-9) & (away >= 1e-6)
    share = np.full(len(marks), np.nan)
    np.divide(to[:, 0] * along[1] - to[:, 1] * along[0], turned, out=share, where=told)
    share[~((share > 1) & (share * away <= _FARTHEST))] = np.nan
    return eyes[:, :2] + share[:, None] * out, share


def _heights(eyes: Floats, share: Floats) -> Floats:
    """m above ground at which the edge runs past each mark, (k,)."""
    return np.asarray(eyes[:, 2] * (1 - 1 / share))


def edge_sights(
    vehicle: Vehicle, seat: Seat, onward: Onward, edge: Floats, *, lean: float = LEAN,
    most: float = np.inf,
) -> list[EdgeSight]:  # fmt: skip
    """An edge past every mark of the vehicle that it is seen beyond, at a call.

    onward : see `Onward`
    edge : (2, 2), m on the site, two places of a straight edge on the ground
    most : sights that leave more scatter in the stop are left out, m
    """
    if not vehicle.features:
        return []
    marks = np.array([(mark.x, mark.y, mark.z) for mark in vehicle.features])
    eyes = np.array([seat.eye_toward(mark) for mark in marks])
    met = [_met(eyes, marks, onward(by), edge) for by in (-NEAR, 0.0, NEAR)]
    before, heights, after = (_heights(eyes, share) for _, share in met)
    pose, ground = onward(0.0), met[1][0]
    # The picture's angle at the eye, for one centimetre at the mark.
    out = np.hypot(*(marks - eyes)[:, :2].T)
    turned = np.abs(after - before) / (2 * NEAR) * out / (out**2 + (eyes[:, 2] - heights) ** 2)
    blur = np.divide(ACUITY, turned, out=np.full_like(turned, np.inf), where=turned > 1e-6)
    scatter = np.hypot(blur, REACTION * CRAWL)
    wanted = ~np.isnan(before + heights + after) & (scatter <= most)
    leaning = seat.leaning(lean)
    places = np.column_stack((ground, np.zeros(len(ground))))
    hits = [(pane.name, pane_hits(pane, eyes, places)) for pane in vehicle.glass]
    found = []
    for i in map(int, np.flatnonzero(wanted)):
        feature, height = vehicle.features[i], float(heights[i])
        sharp = Sharpness(scatter=float(scatter[i]), lean=lean)
        moved = _moved(leaning, marks[i], onward, edge, height)
        found.append(
            EdgeSight(
                sighting=_sighting(hits, i, eyes[i], feature, ground[i], height),
                sharpness=sharp,
                leaning=partial(_leaning, sharp, moved),
                ground=to_site(pose, ground[i][None])[0],
            )
        )
    return found


def _leaning(sharp: Sharpness, moved: Callable[[float], float]) -> Sharpness:
    return replace(sharp, image=moved(0.0), late=same_again(moved))


def _moved(
    leaning: Seat, mark: Floats, onward: Onward, edge: Floats, height: float
) -> Callable[[float], float]:
    """Of m rolled on: how far the edge runs above where it ran past a mark, to a leaning driver."""
    eye = leaning.eye_toward(mark)[None]

    def moved(by: float) -> float:
        _, share = _met(eye, mark[None], onward(by), edge)
        return float(_heights(eye, share)[0]) - height

    return moved


def _sighting(
    hits: list[tuple[str, Floats]], at: int, eye: Floats, feature: Feature, ground: Floats,
    height: float,
) -> Sighting:  # fmt: skip
    """hits : of every pane, its name and where each mark's ray meets it; at : which mark's"""
    through, hit = next(
        ((name, hit[at]) for name, hit in hits if not np.isnan(hit[at, 0])),
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
