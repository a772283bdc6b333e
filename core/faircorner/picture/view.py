"""A picture of what a driver sees: the place through the glass, the cabin, the mirrors in it."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np
from shapely import MultiPoint

from faircorner.picture.camera import HEIGHT, NEAR, WIDTH, Camera, beyond
from faircorner.picture.order import far_to_near
from faircorner.picture.own import CASE, body_of, cabin_of, housing, outer, steering_wheel
from faircorner.picture.part import Part
from faircorner.picture.place import Place
from faircorner.picture.reflected import reflected
from faircorner.picture.surface import Surface
from faircorner.plane import Floats
from faircorner.sight import Seat
from faircorner.vehicle import Mirror, Vehicle

__all__ = ["Glass", "View", "Viewer", "mirror_frame"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Glass:
    """A mirror's glass by itself, as large as it can be told: across and up in m from its middle.

    outline : (n, 2); parts : painted first to last, within the outline
    """

    name: str
    outline: Floats
    parts: tuple[Part, ...]

    def mirrored(self) -> "Glass":
        return replace(
            self,
            outline=self.outline * [-1.0, 1.0],
            parts=tuple(part.turned(0.0) for part in self.parts),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class View:
    """One picture, WIDTH by HEIGHT, y downward, painted from the first part to the last.

    outside : beyond the glass, drawn everywhere; panes : polygons (n, 2) through which it shows,
    none where the whole of it does; cabin : drawn over it round them, the same wherever the vehicle
    stands; hung : the mirror within, drawn last
    """

    outside: tuple[Part, ...]
    panes: tuple[Floats, ...]
    cabin: tuple[Part, ...]
    hung: tuple[Part, ...]

    def mirrored(self) -> "View":
        return replace(
            self,
            outside=tuple(part.turned(WIDTH / 2) for part in self.outside),
            panes=tuple(np.column_stack((WIDTH - p[:, 0], p[:, 1])) for p in self.panes),
            cabin=tuple(part.turned(WIDTH / 2) for part in self.cabin),
            hung=tuple(part.turned(WIDTH / 2) for part in self.hung),
        )


class Viewer:
    """Draws what one driver sees in one vehicle at one place, from wherever it stands.

    vehicle : its mirrors set for the seat. All with the working side on the left.
    """

    def __init__(self, vehicle: Vehicle, seat: Seat, place: Place) -> None:
        self.vehicle, self.seat, self.place = vehicle, seat, place
        self._body, self._outer, self._cabin = body_of(vehicle), outer(vehicle), cabin_of(vehicle)
        # What each mirror shows where the vehicle stood last: by itself, and where it hangs.
        self._stood, self._shown = b"", dict[str, tuple[Part, ...]]()
        self._own: dict[str, list[Part]] = {}

    def view(self, pose: Floats, camera: Camera) -> View:
        """From a pose (3,) on the site, as a camera at the eye sees it."""
        outside, hung = self.moving(pose, camera)
        drawn = (camera.drawn(pane.corners) for pane in self.vehicle.glass)
        return View(
            outside=outside,
            panes=tuple(pane for pane in drawn if len(pane) >= 3),
            cabin=tuple(_parts(camera, [*self._cabin, steering_wheel(self.seat.eye)])),
            hung=hung,
        )

    def moving(self, pose: Floats, camera: Camera) -> tuple[tuple[Part, ...], tuple[Part, ...]]:
        """What of a view is another wherever the vehicle stands: outside, and hung within."""
        flat, solids = self.place.seen(pose)
        eye = camera.eye
        standing = [s for solid in far_to_near(solids, eye[:2]) for s in solid.surfaces]
        own = [s for s in self._outer if s.faces(eye)]
        outside = _parts(camera, [*flat, *(s for s in standing if s.faces(eye)), *own])
        hung: list[Part] = []
        # What is stuck to a glass is before it.
        for mirror in sorted(self.vehicle.mirrors, key=lambda one: one.on != ""):
            within = mirror.set_for == "behind"
            (hung if within else outside).extend(self._hung(camera, mirror, pose))
        return tuple(outside), tuple(hung)

    def glass(self, pose: Floats, mirror: Mirror) -> Glass:
        """What a mirror shows by itself."""
        stuck = (part for one in self.vehicle.mirrors if one.on == mirror.name
                 for part in self._stuck(mirror, one, pose))  # fmt: skip
        parts = (*self._in_glass(mirror, pose), *stuck)
        return Glass(name=mirror.name, outline=mirror.outline, parts=parts)

    def _stuck(self, mirror: Mirror, one: Mirror, pose: Floats) -> Iterator[Part]:
        """Another glass on a mirror, with what it shows; what lies beside it is no part of it."""
        case = Part(kind="mirror case", name=one.name, points=CASE * one.outline)
        sky = Part(kind="mirror sky", name=one.name, points=one.outline)
        for part in (case, sky, *self._in_glass(one, pose)):
            yield replace(part, points=mirror.on_glass(one.placed(part.points)))

    def _in_glass(self, mirror: Mirror, pose: Floats) -> tuple[Part, ...]:
        if pose.tobytes() != self._stood:
            self._stood, self._shown = pose.tobytes(), {}
        if mirror.name not in self._shown:
            self._shown[mirror.name] = self._reflected(mirror, pose)
        return self._shown[mirror.name]

    def _reflected(self, mirror: Mirror, pose: Floats) -> tuple[Part, ...]:
        flat, solids = self.place.seen(pose)
        if mirror.name not in self._own:
            # From within the cabin frames the place behind. Either is the same wherever it stands.
            within = mirror.set_for == "behind"
            own = self._cabin if within else self._body
            self._own[mirror.name] = reflected(
                mirror, self.seat.eye, (), (), own, both_sides=within
            )
        place = reflected(mirror, self.seat.eye, flat, solids, ())
        return (*place, *self._own[mirror.name])

    def _hung(self, camera: Camera, mirror: Mirror, pose: Floats) -> list[Part]:
        """A mirror where it hangs: its housing, and in it the glass with what it shows."""
        # Only one whose glass is turned to the eye shows anything, and only before it.
        if (camera.eye - mirror.centre) @ mirror.aim <= 0 or not _before(camera, mirror):
            return []
        hull = MultiPoint(camera.flat(housing(mirror))).convex_hull
        case = Part(
            kind="mirror case", name=mirror.name, points=np.array(hull.exterior.coords)[:-1]
        )
        # What hangs beside the picture would be painted for nobody.
        if not _within(case.points):
            return []
        rim = mirror_frame(camera, mirror, mirror.outline)
        sky = Part(kind="mirror sky", name=mirror.name, points=rim)
        parts = self._in_glass(mirror, pose)
        ends = np.cumsum([len(part.points) for part in parts])[:-1]
        placed = mirror_frame(camera, mirror, np.vstack([rim[:0], *(p.points for p in parts)]))
        shown = (
            [
                replace(part, points=points)
                for part, points in zip(parts, np.split(placed, ends), strict=True)
            ]
            if parts
            else []
        )
        return [case, sky, *shown, Part(kind="mirror rim", name=mirror.name, points=rim)]


def mirror_frame(camera: Camera, mirror: Mirror, glass: Floats) -> Floats:
    """Places of a glass (n, 2), across and up in m, where they stand in the picture, (n, 2)."""
    on = mirror.centre + glass[:, :1] * mirror.across + glass[:, 1:] * mirror.up
    return camera.flat(on)


def _before(camera: Camera, mirror: Mirror) -> bool:
    """Whether it hangs within the picture or just beside it."""
    if (mirror.centre - camera.eye) @ camera.ahead < 0.1:
        return False
    x, y = camera.flat(mirror.centre[None])[0]
    return bool(-0.3 * WIDTH < x < 1.3 * WIDTH and -0.5 * HEIGHT < y < 1.5 * HEIGHT)


def _parts(camera: Camera, surfaces: list[Surface]) -> list[Part]:
    """What of surfaces lies within the picture; all are projected at once."""
    near = camera.eye + NEAR * camera.ahead
    cut = [beyond(one.points, near, camera.ahead) for one in surfaces]
    there = [(one, points) for one, points in zip(surfaces, cut, strict=True) if len(points) >= 3]
    if not there:
        return []
    drawn = camera.flat(np.vstack([points for _, points in there]))
    ends = np.cumsum([len(points) for _, points in there])[:-1]
    return [
        Part(kind=one.kind, name=one.name, points=points)
        for (one, _), points in zip(there, np.split(drawn, ends), strict=True)
        if _within(points)
    ]


def _within(points: Floats) -> bool:
    (left, top), (right, bottom) = points.min(axis=0), points.max(axis=0)
    return bool(left < WIDTH and right > 0 and top < HEIGHT and bottom > 0)
