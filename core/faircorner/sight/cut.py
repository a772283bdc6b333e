"""Where an edge on the ground goes out of sight under a part of the own vehicle.

docs/sums/sight.md. Nearer than that the body hides it. The place slides along a pane's lower edge,
or the bonnet's, as the vehicle rolls: what is told is how far from that edge's ends or its middle.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache, partial

import numpy as np

from faircorner.plane import Floats, to_body, to_site
from faircorner.sight.edge import BONNET, SCREEN, EdgeSight, corner_marks, lowest_ahead
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
)
from faircorner.sight.told import ACROSS, ALONG, Told
from faircorner.vehicle import Feature, Opening, Vehicle

__all__ = ["REAR_EDGE", "SILL", "cut_sights", "edge_middles"]

# What a pane's lower edge is called beside the driver, and behind.
SILL, REAR_EDGE = "window sill", "rear window's edge"

# An edge farther off than this is too flat in the picture to tell, m.
_FARTHEST = 15.0
# So far on either side of the place where it goes out of sight an edge shows, and is hidden, m.
_BESIDE = 0.05


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class _LowerEdge:
    """A straight part of the vehicle under which the ground is hidden.

    name : as it is told; begin, end : (3,), m in the vehicle's frame
    marks : on it, from which a place is told
    """

    name: str
    begin: Floats
    end: Floats
    told: Told
    marks: tuple[Feature, ...]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class _Cut:
    """share : of the way along the lower edge; at : (3,), there; ground : (2,), where the edge on
    the ground lies behind it; both m in the vehicle's frame
    """

    share: float
    at: Floats
    ground: Floats


def edge_middles(vehicle: Vehicle, eye: Floats) -> list[Feature]:
    """The middle of every pane's lower edge, and of the bonnet's where that hides the ground."""
    return [*map(_middle_of, vehicle.glass), *_bonnet_middle(vehicle, eye)]


def _middle_of(pane: Opening) -> Feature:
    lowest = pane.corners[pane.corners[:, 2].argsort(kind="stable")[:2]]
    x, y, z = map(float, lowest.mean(axis=0))
    return Feature(name=f"middle of the {pane.name}'s lower edge", x=x, y=y, z=z)


def _bonnet_middle(vehicle: Vehicle, eye: Floats) -> list[Feature]:
    return [
        Feature(name=f"middle of the {BONNET}", x=ahead.x, y=0.0, z=ahead.z)
        for ahead in lowest_ahead(vehicle, eye)
        if ahead.name == BONNET
    ]


def cut_sights(
    vehicle: Vehicle, seat: Seat, onward: Onward, line: Floats, *, ends: bool, most: float
) -> Iterator[tuple[str, EdgeSight]]:
    """Every part of the vehicle, by name, under which an edge on the ground goes out of sight.

    onward : see `Onward`
    line : (2, 2), m on the site, two places of a straight edge on the ground
    ends : whether it goes no farther than these
    most : sights that leave more scatter in the stop are left out, m
    """
    for lower in _lower_edges(vehicle, seat):
        for eye in _eyes(seat):
            found = _sight(vehicle, seat, onward, line, lower, eye, ends=ends, most=most)
            if found is not None:
                yield lower.name, found


@lru_cache(maxsize=64)
def _lower_edges(vehicle: Vehicle, seat: Seat) -> tuple[_LowerEdge, ...]:
    return (*_of_panes(vehicle, seat), *_of_bonnet(vehicle, seat))


def _of_panes(vehicle: Vehicle, seat: Seat) -> Iterator[_LowerEdge]:
    for pane in vehicle.glass:
        corners = corner_marks((pane,))
        rear, front = (np.array([mark.x, mark.y, mark.z]) for mark in corners)
        beside = pane.seen == (0, 2)
        yield _LowerEdge(
            name=SILL if beside else SCREEN if rear[0] > seat.eye[0] else REAR_EDGE,
            begin=rear, end=front, told=ALONG if beside else ACROSS,
            marks=(*corners, _middle_of(pane)),
        )  # fmt: skip


def _of_bonnet(vehicle: Vehicle, seat: Seat) -> Iterator[_LowerEdge]:
    for middle in _bonnet_middle(vehicle, seat.eye):
        off, near = (
            np.array([middle.x, side * vehicle.width / 2, middle.z]) for side in (-1.0, 1.0)
        )
        yield _LowerEdge(name=BONNET, begin=off, end=near, told=ACROSS, marks=(middle,))


def _eyes(seat: Seat) -> Iterator[Floats]:
    yield seat.eye
    if seat.looking_back is not None:
        yield seat.looking_back


def _cut(lower: _LowerEdge, eye: Floats, pose: Floats, line: Floats) -> _Cut | None:
    """Where the plane through the eye and a lower edge meets an edge on the ground.

    On the way along the lower edge the line of sight past it meets the ground on one side of the
    edge on the ground or on the other: by an amount that grows evenly, so that one division finds
    where it is nothing. None where that is behind the eye, level with it, or too far off.
    """
    a, b = to_body(pose, line)
    square = np.array([a[1] - b[1], b[0] - a[0]])

    def side(at: Floats) -> float:
        return float(square @ ((eye[:2] - a) * (eye[2] - at[2]) + (at - eye)[:2] * eye[2]))

    first, last = side(lower.begin), side(lower.end)
    if abs(first - last) < 1e-12:
        return None
    share = first / (first - last)
    at = lower.begin + share * (lower.end - lower.begin)
    if at[2] > eye[2] - 1e-3:
        return None
    ground = eye[:2] + (at - eye)[:2] * eye[2] / (eye[2] - at[2])
    if np.hypot(*(ground - eye[:2])) > _FARTHEST:
        return None
    return _Cut(share=float(share), at=at, ground=ground)


def _pane_of_it(vehicle: Vehicle, eye: Floats, cut: _Cut, pose: Floats, line: Floats) -> str | None:
    """The pane in which the edge shows on one side of the place, where it is hidden on the other.

    None where it shows on both or on neither: something else of the body hides it there.
    """
    way = to_body(pose, line)[1] - to_body(pose, line)[0]
    beside = np.array([[-_BESIDE], [_BESIDE]]) * way / np.linalg.norm(way)
    places = np.column_stack((cut.ground + beside, np.zeros(2)))
    hidden = beyond_glass(vehicle, eye, places)
    panes = [(p.name, ~np.isnan(pane_hits(p, eye, places)[:, 0]) & ~hidden) for p in vehicle.glass]
    if sum(np.any([there for _, there in panes], axis=0)) != 1:
        return None
    return next(name for name, there in panes if there.any())


def _on_line(line: Floats, place: Floats) -> bool:
    """Whether a place (2,) of the line through two ends (2, 2) lies between them."""
    along = line[1] - line[0]
    return bool(0 <= (place - line[0]) @ along <= along @ along)


def _sight(
    vehicle: Vehicle, seat: Seat, onward: Onward, line: Floats, lower: _LowerEdge, eye: Floats,
    *, ends: bool, most: float,
) -> EdgeSight | None:  # fmt: skip
    axis, pose = lower.told.axis, onward(0.0)
    cut = _cut(lower, eye, pose, line)
    before, after = (_cut(lower, eye, onward(by), line) for by in (-NEAR, NEAR))
    if cut is None or before is None or after is None or not 0 <= cut.share <= 1:
        return None
    if not np.array_equal(seat.eye_past(cut.at), eye):
        return None
    speed = abs(after.share - before.share) / (2 * NEAR)
    scatter = _scatter(lower, eye, cut, pose, line, speed)
    if scatter > most:
        return None
    ground = to_site(pose, cut.ground[None])[0]
    through = _pane_of_it(vehicle, eye, cut, pose, line)
    if through is None or (ends and not _on_line(line, ground)):
        return None
    away = {mark.name: float(cut.at[axis]) - (mark.x, mark.y, mark.z)[axis] for mark in lower.marks}
    feature = min(away, key=lambda name: abs(away[name]))

    x, y, z = map(float, cut.at)
    return EdgeSight(
        sighting=Sighting(
            eye=eye, through=through, x=x, y=y, z=z,
            bearing=float(np.arctan2(cut.ground[1] - eye[1], cut.ground[0] - eye[0])),
            told=lower.told, feature=feature, offset=away[feature],
        ),
        sharpness=Sharpness(scatter=scatter, lean=LEAN),
        moved=partial(_moved, lower, eye, onward, line, float(cut.at[axis])),
        shown=partial(_shown, vehicle, onward, line if ends else None, line, lower, eye, through),
        ground=ground,
    )  # fmt: skip


def _shown(
    vehicle: Vehicle, onward: Onward, painted: Floats | None, line: Floats, lower: _LowerEdge,
    eye: Floats, through: str, by: float,
) -> Floats | None:  # fmt: skip
    """Where on the site, (2,) m, it still goes out of sight in the same pane; see `EdgeSight`.

    painted : the ends of a line that goes no farther than these, (2, 2) m on the site
    """
    pose = onward(by)
    cut = _cut(lower, eye, pose, line)
    if cut is None or not 0 <= cut.share <= 1:
        return None
    if _pane_of_it(vehicle, eye, cut, pose, line) != through:
        return None
    ground = to_site(pose, cut.ground[None])[0]
    return np.asarray(ground) if painted is None or _on_line(painted, ground) else None


def _scatter(
    lower: _LowerEdge, eye: Floats, cut: _Cut, pose: Floats, line: Floats, speed: float
) -> float:
    """m left in the stop. The eye tells a place on a lower edge the worse the flatter both cross.

    speed : shares of the lower edge that the place slides on for each metre rolled
    """
    ray = cut.at - eye
    far = float(np.linalg.norm(ray))
    along_ground = np.append(to_body(pose, line)[1] - to_body(pose, line)[0], 0.0)
    along_edge = lower.end - lower.begin
    square = [way - (way @ ray) * ray / far**2 for way in (along_ground, along_edge)]
    sizes = [float(np.linalg.norm(way)) for way in square]
    crossing = float(np.linalg.norm(np.cross(square[0], square[1]))) / (sizes[0] * sizes[1])
    turned = speed * sizes[1] / far
    eye_alone = ACUITY / (crossing * turned) if crossing * turned > 1e-6 else np.inf
    return float(np.hypot(eye_alone, REACTION * CRAWL))


def _moved(
    lower: _LowerEdge, eye: Floats, onward: Onward, line: Floats, stood: float,
    by_eye: Floats, by_thing: Floats = AT_PLACE,
) -> Moved:  # fmt: skip
    """How far the place has slid along the lower edge; see `Shifted`."""

    def moved(by: float) -> float:
        cut = _cut(lower, eye + by_eye, onward(by), line + by_thing)
        return float("nan") if cut is None else float(cut.at[lower.told.axis]) - stood

    return moved
