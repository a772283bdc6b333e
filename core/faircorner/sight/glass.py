"""Where the straight ray from the eye to an outside thing meets the vehicle. docs/sums/sight.md."""

from dataclasses import dataclass, replace

import numpy as np
from shapely import intersects_xy

from faircorner.plane import Bools, Floats, to_body
from faircorner.said import Said
from faircorner.sight.eye import Seat
from faircorner.sight.told import ACROSS, ALONG, Told
from faircorner.vehicle import Feature, Opening, Vehicle, outer_blocks, stopped

__all__ = [
    "LAMP",
    "Sighting",
    "beyond_glass",
    "mark_image",
    "mark_of",
    "middle_marks",
    "on_plane",
    "pane_hits",
    "pane_of",
    "sight_of",
]

# The height on an upright edge that a driver takes first, about a lamp's, m.
LAMP = 0.8
# A feature belongs to a pane when it lies this near its plane, m.
_BESIDE = 0.4


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Sighting:
    """An outside thing as the driver sees it, metres in the vehicle's frame.

    eye : (3,), the eye used, turned when the thing lies behind
    through : the pane it is seen through; None when the body hides it
    x, y, z : where the ray leaves the vehicle
    bearing : rad, left of straight ahead, as seen from the eye
    told : by what it is told from the nearest feature
    feature : the nearest named feature there, None when none is near
    offset : m from that feature to the image, along what it is told by
    """

    eye: Floats
    through: str | None
    x: float
    y: float
    z: float
    bearing: float
    told: Told
    feature: str | None
    offset: float

    @property
    def station(self) -> float:
        """The image's place along the glass, m in the vehicle's frame."""
        return (self.x, self.y, self.z)[self.told.axis]

    @property
    def place(self) -> Said:
        """Where it stands from the nearest feature; nothing where none is near."""
        return Said() if self.feature is None else self.told.place(self.feature, self.offset)

    def mirrored(self) -> "Sighting":
        """The same as a mirrored driver sees it in a mirrored vehicle."""
        return replace(
            self,
            eye=self.eye * np.array([1.0, -1.0, 1.0]),
            y=-self.y,
            bearing=-self.bearing,
            offset=-self.offset if self.told.flips else self.offset,
        )


def pane_of(vehicle: Vehicle, seen: Sighting) -> Opening | None:
    """The pane that something is seen through; None where it is hidden."""
    hit = np.array([seen.x, seen.y, seen.z])
    # The panes of either side have the same name.
    named = [pane for pane in vehicle.glass if pane.name == seen.through]
    return min(named, key=lambda p: abs(float(p.normal @ (hit - p.corners[0]))), default=None)


def on_plane(opening: Opening, eye: Floats, target: Floats) -> Floats:
    """Where the line of sight to a place (3,) meets a pane's plane, (3,) m; NaN where never."""
    ray = target - eye
    across = float(ray @ opening.normal)
    if abs(across) < 1e-9:
        return np.full(3, np.nan)
    return np.asarray(eye + ray * float(opening.normal @ (opening.corners[0] - eye)) / across)


def pane_hits(opening: Opening, eye: Floats, targets: Floats) -> Floats:
    """Where the rays to places (n, 3) meet a pane, (n, 3) m; NaN where one passes beside it.

    eye : (3,), or (n, 3) where every ray has its own
    """
    rays = targets - eye
    across = rays @ opening.normal
    away = (opening.corners[0] - eye) @ opening.normal
    level = np.abs(across) < 1e-9
    share = np.divide(away, across, out=np.zeros_like(across), where=~level)
    hits = eye + share[:, None] * rays
    through = (share > 0) & (share < 1)
    if through.any():
        a, b = opening.seen
        through &= intersects_xy(opening.face, hits[:, a], hits[:, b])
    hits[~through] = np.nan
    return np.asarray(hits)


def beyond_glass(vehicle: Vehicle, eye: Floats, targets: Floats) -> Bools:
    """Which places (n, 3) the own bonnet, boot or load hides from an eye, (3,) or one each."""
    eyes = np.broadcast_to(eye, targets.shape)
    return stopped(outer_blocks(vehicle), eyes, targets)


def _leaving(vehicle: Vehicle, eye: Floats, target: Floats) -> tuple[Floats, Told]:
    """Where the ray leaves the box around the body, and how an image on that wall is told."""
    ray = target - eye
    walls = [(0, vehicle.nose, ACROSS), (0, -vehicle.rear_overhang, ACROSS),
             (1, vehicle.width / 2, ALONG), (1, -vehicle.width / 2, ALONG)]  # fmt: skip
    shares = [
        ((wall - eye[axis]) / ray[axis], told)
        for axis, wall, told in walls
        if abs(ray[axis]) > 1e-9 and (wall - eye[axis]) / ray[axis] > 0
    ]
    share, told = min(shares, key=lambda one: (one[0], one[1].along))
    return eye + share * ray, told


def mark_image(eye: Floats, mark: Feature, hit: Floats, normal: Floats) -> Floats:
    """Where on a plane the upright line past a mark runs at the height of an image, (2,) m.

    hit, normal : (3,), the image on the plane and what is square to it. A mark outside the glass
    stands elsewhere in the picture than beside it; and glass leans in, so that what is above the
    mark in the picture is not above it on the glass.
    """
    way = np.array([mark.x, mark.y]) - eye[:2]
    across = float(way @ normal[:2])
    if abs(across) < 1e-9:
        return np.full(2, np.nan)
    return np.asarray(eye[:2] + way * (float((hit - eye)[:2] @ normal[:2]) / across))


def mark_of(vehicle: Vehicle, seen: Sighting) -> Feature | None:
    """The mark that an image is told from; None where it is told from none of the vehicle's."""
    hit = np.array([seen.x, seen.y, seen.z])
    marks = (*vehicle.features, *middle_marks(vehicle.glass))
    named = [f for f in marks if f.name == seen.feature]
    return min(named, key=lambda f: np.hypot(f.x - hit[0], f.y - hit[1]), default=None)


def middle_marks(glass: tuple[Opening, ...]) -> list[Feature]:
    """The middle of the windscreen and of the rear window, at which a landmark stands."""
    found = []
    for pane in glass:
        if pane.seen != (0, 2):
            x, _, z = (float(v) for v in pane.corners.mean(axis=0))
            found.append(Feature(name=f"middle of the {pane.name}", x=x, y=0.0, z=z))
    return found


def _nearest(
    features: tuple[Feature, ...], eye: Floats, hit: Floats, normal: Floats, told: Told
) -> tuple[str | None, float]:
    axis, across = told.axis, 1 - told.axis
    found = []
    for mark in features:
        if abs(hit[across] - (mark.x, mark.y)[across]) >= _BESIDE:
            continue
        off = float(hit[axis] - mark_image(eye, mark, hit, normal)[axis])
        if np.isfinite(off):
            found.append((abs(off), mark.name, off))
    if not found:
        return None, float("nan")
    _, name, offset = min(found)
    return name, offset


def sight_of(
    vehicle: Vehicle, seat: Seat, pose: Floats, target: Floats, height: float, past: str = ""
) -> Sighting:
    """How an upright edge at a place on the site appears to the driver.

    pose : (3,); target : (2,), m on the site; height : m, the edge's top
    past : the mark that it is told from, where it is not the nearest that counts
    The part of the edge nearest lamp height that shows through a pane is taken; where none
    shows, the ray at lamp height tells behind what it hides.
    """
    x, y = to_body(pose, target[None, :])[0]
    # A mark on the ground has no height to choose from.
    levels = np.linspace(min(0.2, height), height, 12)
    levels = levels[np.abs(levels - LAMP).argsort(kind="stable")]
    eye = seat.eye_toward(np.array([x, y, LAMP]))
    bearing = float(np.arctan2(y - eye[1], x - eye[0]))
    upright = np.stack((np.full_like(levels, x), np.full_like(levels, y), levels), axis=-1)
    hits = np.array([pane_hits(opening, eye, upright) for opening in vehicle.glass])
    if len(vehicle.glass):
        hits[:, beyond_glass(vehicle, eye, upright)] = np.nan
    shows = ~np.isnan(hits.reshape(-1, len(levels), 3)[..., 0])
    if shows.any():
        level = int(shows.any(axis=0).argmax())
        pane = int(shows[:, level].argmax())
        opening = vehicle.glass[pane]
        spread = np.ptp(opening.corners, axis=0)
        told = ALONG if spread[0] >= spread[1] else ACROSS
        return _sighting(vehicle, eye, opening, hits[pane, level], bearing, told, past)
    hit, told = _leaving(vehicle, eye, np.array([x, y, levels[0]]))
    return _sighting(vehicle, eye, None, hit, bearing, told, past)


def _sighting(
    vehicle: Vehicle, eye: Floats, pane: Opening | None, hit: Floats, bearing: float, told: Told,
    past: str,
) -> Sighting:  # fmt: skip
    # What no pane shows is told where it would stand on the body's side.
    normal = np.eye(3)[1 - told.axis] if pane is None else pane.normal
    every = vehicle.features
    if pane is not None and told is ACROSS:
        every = (*every, *middle_marks((pane,)))
    marks = tuple(f for f in every if f.name == past) or every
    feature, offset = _nearest(marks, eye, hit, normal, told)
    return Sighting(
        eye=eye,
        through=None if pane is None else pane.name,
        x=float(hit[0]),
        y=float(hit[1]),
        z=float(hit[2]),
        bearing=bearing,
        told=told,
        feature=feature,
        offset=offset,
    )
