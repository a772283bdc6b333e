"""A thing or an edge in a mirror, past a part of the own flank or past the mirror's rim."""

from collections.abc import Iterator
from functools import cache, lru_cache
from typing import TypeAlias

import numpy as np

from faircorner.cues.cue_kinds.base import AGAIN, USELESS, Cue, Found, Seeing
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.sight import LEAN, InMirror, Looker, Seat, Sharpness, Sighting, covering
from faircorner.vehicle import Vehicle

__all__ = ["in_mirrors", "lookers"]

# Its name, places (n, 3) m on the site, and how high it stands, m; 0 for what lies on the ground.
Line: TypeAlias = tuple[str, Floats, float]

# Where along an edge it is looked for, m from beside the vehicle either way: finely where it is
# near, and as far as a mirror shows anything to line up on.
_ALONG = np.sinh(np.linspace(-3.2, 3.2, 45))
# Heights at which an upright thing is looked for, m.
_UPRIGHT = np.array([0.02, 0.35, 0.7, 1.05])
# How far off an upright thing may stand to be told in a mirror, m.
_FARTHEST = 12.0


@lru_cache(maxsize=AGAIN)
def in_mirrors(seeing: Seeing) -> list[Found]:
    """Everything in every mirror of the vehicle that is set for the driver's eye."""
    found: list[Found] = []
    lines = [line for line in _lines(seeing) if seeing.looks_for(line[0])]
    for looker in lookers(seeing.vehicle, seeing.seat):
        found += _in_one(seeing, looker, lines)
    return found


@lru_cache(maxsize=64)
def lookers(vehicle: Vehicle, seat: Seat) -> tuple[Looker, ...]:
    """The driver's eye at every mirror that it sees and that shows what is beside the vehicle."""
    beside = [m for m in vehicle.mirrors if m.moves_with == "body" and m.set_for != "behind"]
    lookers = (Looker(vehicle, mirror, seat.eye) for mirror in beside)
    return tuple(looker for looker in lookers if looker.faced)


def _in_one(seeing: Seeing, looker: Looker, lines: list[Line]) -> Iterator[Found]:
    for i, seen in looker.past(seeing.onward, [line for _, line, _ in lines]):
        found = _found(seeing, looker, lines[i], seen) if seen.scatter <= USELESS else None
        if found is not None:
            yield found


def _lines(seeing: Seeing) -> Iterator[Line]:
    """All that can be looked for in a mirror."""
    pose = seeing.pose
    for edge in seeing.ground.kerblines:
        yield edge.name, _beside(pose, edge.drawn(40.0)), 0.0
    for name, points in seeing.ground.goal.aligned():
        yield name, _beside(pose, points), 0.0
    for name, corners, high in seeing.ground.sighted:
        if np.linalg.norm(corners - pose[:2], axis=1).min() > _FARTHEST:
            continue
        up = _UPRIGHT[max(high, 0.4) >= _UPRIGHT]
        for corner in corners:
            yield name, np.column_stack((np.tile(corner, (len(up), 1)), up)), float(high)


def _beside(pose: Floats, line: Floats) -> Floats:
    """Places along an edge (n, 2), from the one beside the vehicle on either way, (m, 3)."""
    steps = np.linalg.norm(np.diff(line, axis=0), axis=1)
    along = np.concatenate(([0.0], np.cumsum(steps)))
    way = np.diff(line, axis=0) / steps[:, None]
    share = np.clip(((pose[:2] - line[:-1]) * way).sum(axis=1), 0.0, steps)
    off = np.linalg.norm(line[:-1] + share[:, None] * way - pose[:2], axis=1)
    at = int(off.argmin())
    stations = np.clip(along[at] + share[at] + _ALONG, 0.0, along[-1])
    stations = np.unique(stations)
    return np.column_stack(
        [np.interp(stations, along, line[:, axis]) for axis in (0, 1)] + [np.zeros(len(stations))]
    )


def _runs(line: Floats, place: Floats) -> float:
    """Heading of an edge, places (n, 3), where it comes nearest to a place (3,), rad."""
    at = min(int(np.linalg.norm(line - place, axis=1).argmin()), len(line) - 2)
    ahead = line[at + 1] - line[at]
    return float(np.arctan2(ahead[1], ahead[0]))


def _found(seeing: Seeing, looker: Looker, looked_for: Line, seen: InMirror) -> Found | None:
    """None where something that stands there is in the way."""
    (name, line, height), pose = looked_for, seeing.pose
    place = np.append(to_site(pose, seen.place[None, :2])[0], seen.place[2])
    glass = np.append(to_site(pose, seen.hit[None, :2])[0], seen.hit[2])
    if covering(seeing.ground.obstacles, glass, place) is not None:
        return None
    mirror, eye = looker.mirror, looker.eye
    x, y, z = (float(value) for value in seen.hit)
    sighting = Sighting(
        eye=eye, through=mirror.name, x=x, y=y, z=z,
        bearing=float(np.arctan2(y - eye[1], x - eye[0])),
        told=seen.told, feature=seen.mark, offset=seen.offset,
    )  # fmt: skip
    said = "thing stands" if height else "edge runs"
    cue = Cue(
        what=name,
        sighting=sighting,
        sharpness=Sharpness(scatter=seen.scatter, lean=LEAN),
        target=place[:2],
        height=height,
        runs=float("nan") if height else _runs(line, place),
        said=Said(said, through=mirror.name, what=name, place=sighting.place),
    )

    @cache
    def shown(by: float) -> bool:
        return looker.shows(seeing.onward(by), line)

    return Found(cue=cue, moved=seen.moved, shown=shown)
