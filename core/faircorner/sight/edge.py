"""How an edge on the ground, such as a kerb, runs through the picture. docs/sums/sight.md.

A kerb has no end to line up on, but at every mark of the vehicle it runs at some height: what is
told is how far above or below that mark.
"""

from collections.abc import Callable
from dataclasses import dataclass
from functools import partial

import numpy as np

from faircorner.compiled import compiled, whole
from faircorner.plane import Floats, to_body, to_site
from faircorner.sight.eye import Seat
from faircorner.sight.glass import Sighting, beyond_glass, pane_hits
from faircorner.sight.sharpness import (
    ACUITY,
    AT_PLACE,
    CRAWL,
    LEAN,
    NEAR,
    REACTION,
    Moved,
    Onward,
    Sharpness,
    Shifted,
)
from faircorner.sight.told import HIGH
from faircorner.vehicle import Feature, Opening, Vehicle

__all__ = ["BONNET", "SCREEN", "EdgeSight", "edge_sights"]

# A pane's lower corners, from the rear, and from the off side.
_BESIDE = ("lower rear corner", "lower front corner")
_ACROSS = ("lower off-side corner", "lower near-side corner")
# What is lowest straight ahead.
BONNET, SCREEN = "bonnet's edge", "windscreen's lower edge"
# An edge farther off than this is too flat in the picture to tell, m.
_FARTHEST = 25.0
# A bonnet lies so far ahead of the glass, m.
_AHEAD = 0.05


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class EdgeSight:
    """An edge seen past one mark of the vehicle.

    sighting : told by its height, m above the mark; through None where the body hides the edge
    sharpness : but for leaning; moved : how its image moves, see `Shifted`
    shown : of m rolled on, whether it still runs past the mark in the same pane, and where on the
        site, (2,) m; None where it does not
    ground : (2,), m on the site, where the edge is met past that mark
    """

    sighting: Sighting
    sharpness: Sharpness
    moved: Shifted
    shown: Callable[[float], Floats | None]
    ground: Floats


def _met(eyes: Floats, marks: Floats, pose: Floats, edge: Floats) -> tuple[Floats, Floats]:
    """Where the level lines from eyes past marks meet the edge, (k, 2) m in the vehicle's frame.

    eyes, marks : (k, 3)
    And how many times farther off than its mark each is, (k,); NaN where it is not met beyond it.
    """
    a, b = to_body(pose, edge)
    return _beyond_marks(whole(eyes), whole(marks), whole(a), whole(b - a), _FARTHEST)


@compiled
def _beyond_marks(
    eyes: Floats, marks: Floats, a: Floats, along: Floats, farthest: float
) -> tuple[Floats, Floats]:
    """As `_met`; a : (2,), a place of the edge; along : (2,), its way, m in the vehicle's frame"""
    met, shares = np.full((len(marks), 2), np.nan), np.full(len(marks), np.nan)
    for i in range(len(marks)):
        out_x, out_y = marks[i, 0] - eyes[i, 0], marks[i, 1] - eyes[i, 1]
        turned = out_x * along[1] - out_y * along[0]
        away = np.sqrt(out_x * out_x + out_y * out_y)
        if abs(turned) < 1e-9 or away < 1e-6:
            continue
        share = ((a[0] - eyes[i, 0]) * along[1] - (a[1] - eyes[i, 1]) * along[0]) / turned
        if share > 1 and share * away <= farthest:
            shares[i] = share
            met[i, 0], met[i, 1] = eyes[i, 0] + share * out_x, eyes[i, 1] + share * out_y
    return met, shares


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
    features = (*vehicle.features, *corner_marks(vehicle.glass), *lowest_ahead(vehicle, seat.eye))
    if not features:
        return []
    marks = np.array([(mark.x, mark.y, mark.z) for mark in features])
    eyes = np.array([seat.eye_past(mark) for mark in marks])
    met = [_met(eyes, marks, onward(by), edge) for by in (-NEAR, 0.0, NEAR)]
    before, heights, after = (_heights(eyes, share) for _, share in met)
    pose, ground = onward(0.0), met[1][0]
    # The picture's angle at the eye, for one centimetre at the mark.
    out = np.hypot(*(marks - eyes)[:, :2].T)
    turned = np.abs(after - before) / (2 * NEAR) * out / (out**2 + (eyes[:, 2] - heights) ** 2)
    blur = np.divide(ACUITY, turned, out=np.full_like(turned, np.inf), where=turned > 1e-6)
    scatter = np.hypot(blur, REACTION * CRAWL)
    wanted = ~np.isnan(before + heights + after) & (scatter <= most)
    places = np.column_stack((ground, np.zeros(len(ground))))
    hits = [(pane.name, pane_hits(pane, eyes, places)) for pane in vehicle.glass]
    # Places that are not there are asked for nowhere.
    covered = beyond_glass(vehicle, eyes, np.nan_to_num(places))
    for _, through in hits:
        through[covered] = np.nan
    found = []
    for i in map(int, np.flatnonzero(wanted)):
        feature, height = features[i], float(heights[i])
        sharp = Sharpness(scatter=float(scatter[i]), lean=lean)
        found.append(
            EdgeSight(
                sighting=_sighting(hits, i, eyes[i], feature, ground[i], height),
                sharpness=sharp,
                moved=partial(_moved, eyes[i], marks[i], onward, edge, height),
                shown=partial(_shown, vehicle, hits, i, eyes[i], marks[i], onward, edge),
                ground=to_site(pose, ground[i][None])[0],
            )
        )
    return found


def lowest_ahead(vehicle: Vehicle, eye: Floats) -> list[Feature]:
    """Straight ahead of an eye, the edge of bonnet or windscreen under which the ground vanishes.

    None where nobody knows the glass ahead.
    """
    ahead = [p for p in vehicle.glass if p.seen != (0, 2) and p.corners[:, 0].mean() > eye[0]]
    if not ahead:
        return []
    low = min(ahead, key=lambda pane: pane.corners[:, 2].min()).corners
    low = low[low[:, 2].argsort(kind="stable")[:2]].mean(axis=0)
    places = [(SCREEN, float(low[0]), float(low[2]))]
    places += [(BONNET, x, z) for x, z in vehicle.roofline.tolist() if x > low[0] + _AHEAD]
    name, x, z = max(places, key=lambda one: (one[2] - eye[2]) / (one[1] - eye[0]))
    return [Feature(name=name, x=x, y=float(eye[1]), z=z)]


def corner_marks(glass: tuple[Opening, ...]) -> list[Feature]:
    """The lower corners of every pane, at which an edge on the ground appears and vanishes."""
    found = []
    for pane in glass:
        low = pane.corners[pane.corners[:, 2].argsort(kind="stable")[:2]]
        beside = pane.seen == (0, 2)
        ends = low[low[:, 0 if beside else 1].argsort(kind="stable")]
        # Across, the working side is the left one, and comes last.
        names = _BESIDE if beside else _ACROSS
        found += [
            Feature(name=f"{name} of the {pane.name}", x=float(x), y=float(y), z=float(z))
            for name, (x, y, z) in zip(names, ends, strict=True)
        ]
    return found


def _shown(
    vehicle: Vehicle, hits: list[tuple[str, Floats]], at: int, eye: Floats, mark: Floats,
    onward: Onward, edge: Floats, by: float,
) -> Floats | None:  # fmt: skip
    """See `EdgeSight.shown`; hits, at : as for `_sighting`"""
    pose = onward(by)
    ground, _ = _met(eye[None], mark[None], pose, edge)
    place = np.append(ground[0], 0.0)[None]
    if np.isnan(ground[0, 0]) or beyond_glass(vehicle, eye, place)[0]:
        return None
    now = next((i for i, (_, hit) in enumerate(hits) if not np.isnan(hit[at, 0])), None)
    if now is None or np.isnan(pane_hits(vehicle.glass[now], eye, place)[0, 0]):
        return None
    return np.asarray(to_site(pose, ground)[0])


def _moved(
    eye: Floats, mark: Floats, onward: Onward, edge: Floats, height: float,
    by_eye: Floats, by_thing: Floats = AT_PLACE,
) -> Moved:  # fmt: skip
    """How far the edge runs above where it ran past a mark; see `Shifted`."""
    shifted, edge = (eye + by_eye)[None], edge + by_thing

    def moved(by: float) -> float:
        _, share = _met(shifted, mark[None], onward(by), edge)
        return float(_heights(shifted, share)[0]) - height

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
