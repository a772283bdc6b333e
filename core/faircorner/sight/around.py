"""The ground round a vehicle: where a driver sees it directly, where in a mirror, where not at all.

Over a grid of places, each looked for through every pane and in every mirror. docs/sums/sight.md.
"""

from dataclasses import dataclass, replace

import numpy as np
from shapely import MultiPolygon, Polygon, box, unary_union

from faircorner.plane import Bools, Floats, wrap
from faircorner.said import Said
from faircorner.sight.eye import Seat
from faircorner.sight.glass import beyond_glass, pane_hits
from faircorner.sight.in_mirror import Looker
from faircorner.sight.setting import mirrors_set
from faircorner.vehicle import Mirror, RearCamera, Vehicle, stopped, towed_blocks

__all__ = ["BACK", "LOOKED", "TURN", "Around", "MirrorView", "Nearest", "around"]

# How far round a driver sees who faces forward and turns the head, and from where to where one
# who has turned to look back over the inner shoulder, rad off straight ahead; assumed, and told.
TURN, BACK = np.radians(110.0), np.radians((70.0, 200.0))
# How far round the vehicle the ground is looked at, and how finely, m.
_REACH, _STEP = 8.0, 0.15
# How far off the nearest ground is looked for, m.
LOOKED = 24.0
# Heights at which something that stands at a place is looked for, m.
_HEIGHTS = np.arange(0.0, 2.01, 0.1)
# Close beside a flank, m.
_CLOSE = 0.4
# Places for those lie so far apart, m.
_COARSE = 0.5


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Nearest:
    """How near on one side, "front", "rear", "left" or "right", ground is seen, m off the body.

    direct : without a mirror; seen : in whatever way; NaN where none is within `LOOKED` m
    """

    side: str
    direct: float
    seen: float

    def mirrored(self) -> "Nearest":
        other = {"left": "right", "right": "left"}
        return replace(self, side=other.get(self.side, self.side))


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class MirrorView:
    """A mirror as it is set. said : how; ground : outlines (n, 2) m of what it shows of the ground

    beside : whether it is one that shows what is beside the vehicle
    begins : x from which on it shows the ground close beside the flank, m; NaN where it does not
    """

    name: str
    said: Said
    ground: tuple[Floats, ...]
    beside: bool
    begins: float


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class CameraView:
    """What a rear camera shows. ground : outlines (n, 2) m

    begins : m behind the vehicle's end, in the middle, from which on it shows ground; NaN where not
    """

    ground: tuple[Floats, ...]
    begins: float


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Hiding:
    """corner : (2,), the place of the first of `heights`, (rows, columns) m: how tall something
    may be and still be hidden at places `step` m apart along y and x; NaN under the vehicle
    tallest : m, as tall as was tried
    """

    corner: Floats
    step: float
    tallest: float
    heights: Floats


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Around:
    """What a driver sees of the ground; outlines (n, 2) m in the vehicle's frame.

    direct : seen through the panes; hidden : seen in no way, a rear camera left out of it
    camera : what the rear camera shows; None where there is none
    hiding : how tall something may be there and still be hidden
    """

    direct: tuple[Floats, ...]
    mirrors: tuple[MirrorView, ...]
    camera: CameraView | None
    hidden: tuple[Floats, ...]
    nearest: tuple[Nearest, ...]
    hiding: Hiding


def around(vehicle: Vehicle, seat: Seat) -> Around:
    """Of a vehicle that stands alone on level ground, its mirrors set by this driver, and what it
    tows in line behind it.
    """
    ready = mirrors_set(vehicle, seat)
    xs, ys = (_centres(low, high, _STEP) for low, high in _limits(ready))
    places = _grid(xs, ys)
    direct = _direct(ready, seat, places)
    in_mirrors = _in_mirrors(ready, seat, places)
    seen = np.any([direct, *in_mirrors.values()], axis=0)
    outside = ~_under(ready, places)
    shape = (len(ys), len(xs))

    def outlined(there: Bools) -> tuple[Floats, ...]:
        return _outlines((there & outside).reshape(shape), xs, ys)

    return Around(
        direct=outlined(direct),
        mirrors=tuple(
            MirrorView(
                name=mirror.name,
                said=_said(mirror),
                ground=outlined(in_mirrors[mirror.name]),
                beside=mirror.set_for != "behind",
                begins=_begins(ready, seat, mirror),
            )
            for mirror in ready.mirrors
        ),
        camera=None
        if ready.camera is None
        else CameraView(
            ground=outlined(_in_camera(ready, ready.camera, places)),
            begins=_camera_begins(ready, ready.camera),
        ),
        hidden=outlined(~seen),
        nearest=_nearest(ready, seat),
        hiding=_hiding(ready, seat),
    )


def _said(mirror: Mirror) -> Said:
    if mirror.on and mirror.set_for is None:
        return Said("set with", name=mirror.on)
    return Said(f"set for {mirror.set_for}")


def _limits(vehicle: Vehicle) -> tuple[tuple[float, float], tuple[float, float]]:
    half = vehicle.width / 2
    return (_end(vehicle) - _REACH, vehicle.nose + _REACH), (-half - _REACH, half + _REACH)


def _centres(low: float, high: float, step: float) -> Floats:
    """Places `step` m apart, as many to either side of the middle."""
    count = int((high - low) / step)
    return np.asarray((low + high) / 2 + (np.arange(count) - (count - 1) / 2) * step)


def _grid(xs: Floats, ys: Floats, height: float = 0.0) -> Floats:
    """Places (rows times columns, 3), the rows along x."""
    x, y = np.meshgrid(xs, ys)
    return np.column_stack((x.ravel(), y.ravel(), np.full(x.size, height)))


def _end(vehicle: Vehicle) -> float:
    """x of the end of it and of what it tows."""
    towed = [block.corners[:, 0].min() for block in towed_blocks(vehicle)]
    return float(min([-vehicle.rear_overhang, *towed]))


def _under(vehicle: Vehicle, places: Floats) -> Bools:
    x, y = places[:, 0], np.abs(places[:, 1])
    within = (x > -vehicle.rear_overhang) & (x < vehicle.nose) & (y < vehicle.width / 2)
    for block in towed_blocks(vehicle):
        low, high = block.corners.min(axis=0), block.corners.max(axis=0)
        within |= (x > low[0]) & (x < high[0]) & (y < high[1])
    return np.asarray(within)


def _in_camera(vehicle: Vehicle, camera: RearCamera, places: Floats) -> Bools:
    """Past what is towed; the vehicle's own body lies before it."""
    begins = np.broadcast_to(camera.centre, places.shape)
    behind = places[:, 0] < camera.centre[0]
    free = ~stopped(towed_blocks(vehicle), begins, places)
    return np.asarray(camera.takes_in(places) & behind & free)


def _camera_begins(vehicle: Vehicle, camera: RearCamera) -> float:
    off = np.arange(0.0, LOOKED, 0.02)
    end = _end(vehicle)
    places = np.column_stack((end - off, np.zeros_like(off), np.zeros_like(off)))
    there = _in_camera(vehicle, camera, places)
    return float(off[there.argmax()]) if there.any() else float("nan")


def _direct(vehicle: Vehicle, seat: Seat, places: Floats) -> Bools:
    """Facing forward with the head turned, or turned round to look back."""
    found = _through(vehicle, seat.eye, places) & (np.abs(_bearing(seat.eye, places)) <= TURN)
    if seat.looking_back is None:
        return np.asarray(found)
    # Turned over the inner shoulder, toward the middle of the vehicle.
    inner = -1.0 if seat.eye[1] > 0 else 1.0
    turned = np.mod(inner * _bearing(seat.looking_back, places), 2 * np.pi)
    back = (turned >= BACK[0]) & (turned <= BACK[1])
    return np.asarray(found | (_through(vehicle, seat.looking_back, places) & back))


def _bearing(eye: Floats, places: Floats) -> Floats:
    return wrap(np.arctan2(places[:, 1] - eye[1], places[:, 0] - eye[0]))


def _through(vehicle: Vehicle, eye: Floats, places: Floats) -> Bools:
    """Which places show through any pane past the own bonnet, boot or load."""
    hits = [~np.isnan(pane_hits(pane, eye, places)[:, 0]) for pane in vehicle.glass]
    shows = np.any(hits, axis=0) if hits else np.ones(len(places), dtype=bool)
    eyes = np.broadcast_to(eye, places.shape)
    free = ~stopped(towed_blocks(vehicle), eyes, places)
    return np.asarray(shows & free & ~beyond_glass(vehicle, eye, places))


def _in_mirrors(vehicle: Vehicle, seat: Seat, places: Floats) -> dict[str, Bools]:
    found = {}
    for mirror in vehicle.mirrors:
        looker = Looker(vehicle, mirror, seat.eye)
        there = np.zeros(len(places), dtype=bool)
        if looker.faced:
            glass = looker.on_glass(places)
            on = ~np.isnan(glass[:, 0])
            there[on] = looker.shows_at(glass[on], places[on])
            at = mirror.placed(glass[on])
            there[on] &= ~stopped(towed_blocks(vehicle), at, places[on])
            if mirror.set_for == "behind":
                # From within the road behind shows through glass alone.
                there &= _through(vehicle, mirror.centre, places)
        found[mirror.name] = there
    return found


def _begins(vehicle: Vehicle, seat: Seat, mirror: Mirror) -> float:
    side = 1.0 if mirror.centre[1] >= 0 else -1.0
    back = np.arange(vehicle.nose, _end(vehicle) - 3 * _REACH, -0.05)
    beside = np.full_like(back, side * (vehicle.width / 2 + _CLOSE))
    places = np.column_stack((back, beside, np.zeros_like(back)))
    there = _in_mirrors(replace(vehicle, mirrors=(mirror,)), seat, places)[mirror.name]
    return float(back[there.argmax()]) if there.any() else float("nan")


def _outlines(there: Bools, xs: Floats, ys: Floats) -> tuple[Floats, ...]:
    """The outer edges of what is marked on a grid, holes joined to them, (n, 2) each."""
    half = _STEP / 2 + 1e-6
    runs = []
    for row, y in zip(there, ys, strict=True):
        edges = np.flatnonzero(np.diff(np.concatenate(([0], row.astype(int), [0]))))
        for begin, end in zip(edges[::2], edges[1::2], strict=True):
            runs.append(box(xs[begin] - half, y - half, xs[end - 1] + half, y + half))
    whole = unary_union(runs)
    pieces = whole.geoms if isinstance(whole, MultiPolygon) else [whole]
    kept = [p for p in pieces if isinstance(p, Polygon) and p.area > 4 * _STEP**2]
    return tuple(_ring(piece) for piece in kept)


def _ring(piece: Polygon) -> Floats:
    """One way round a piece and into its holes and out again, where it has any."""
    smooth = piece.simplify(0.8 * _STEP)
    rings = [np.array(smooth.exterior.coords)]
    rings += [np.vstack((hole.coords, rings[0][-1:])) for hole in smooth.interiors]
    return np.vstack(rings)


def _nearest(vehicle: Vehicle, seat: Seat) -> tuple[Nearest, ...]:
    """Along the middle line ahead and behind, and abeam of the eye to either side."""
    off = np.arange(0.02, LOOKED, 0.02)
    still = np.zeros_like(off)
    beside = np.full_like(off, seat.eye[0])
    lines = {
        "front": (vehicle.nose + off, still),
        "rear": (_end(vehicle) - off, still),
        "left": (beside, vehicle.width / 2 + off),
        "right": (beside, -vehicle.width / 2 - off),
    }
    found = []
    for side, (x, y) in lines.items():
        places = np.column_stack((x, y, still))
        direct = _direct(vehicle, seat, places)
        seen = np.any([direct, *_in_mirrors(vehicle, seat, places).values()], axis=0)
        first = [float(off[one.argmax()]) if one.any() else float("nan") for one in (direct, seen)]
        found.append(Nearest(side=side, direct=first[0], seen=first[1]))
    return tuple(found)


def _hiding(vehicle: Vehicle, seat: Seat) -> Hiding:
    """By the least height at which something shows, place by place."""
    xs, ys = (_centres(low, high, _COARSE) for low, high in _limits(vehicle))
    least = np.full(len(xs) * len(ys), float(_HEIGHTS[-1]))
    for height in _HEIGHTS[::-1]:
        places = _grid(xs, ys, float(height))
        mirrors = _in_mirrors(vehicle, seat, places).values()
        seen = np.any([_direct(vehicle, seat, places), *mirrors], axis=0)
        least[seen] = height
    least[_under(vehicle, _grid(xs, ys))] = np.nan
    return Hiding(
        corner=np.array([xs[0], ys[0]]),
        step=_COARSE,
        tallest=float(_HEIGHTS[-1]),
        heights=least.reshape(len(ys), len(xs)),
    )
