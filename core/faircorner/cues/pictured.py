"""The picture of a cue: the view that follows it, and where in it the cue stands."""

from dataclasses import dataclass

import numpy as np
from shapely import intersects_xy

from faircorner.cues.cue_kinds import Cue
from faircorner.picture import WIDTH, Camera, Glass, View, Viewer, image_of, mirror_frame
from faircorner.plane import Bools, Floats, to_body
from faircorner.sight import beyond_glass, on_glass, pane_hits
from faircorner.vehicle import Mirror, Vehicle

__all__ = ["CueMarks", "Pictured", "camera_for", "mirror_of", "pictured"]

# A picture takes in some 77 degrees across; it looks a little down, as drivers do, rad.
_FOCAL, _DOWN = 400.0, np.radians(-9.0)
# A mirror is drawn somewhat out of the middle, so that the cabin shows beside it, rad.
_ASIDE = np.radians(9.0)
# How much of an edge is drawn as the cue, each way, m; and how much of an upright thing.
_STRETCH, _TALL, _SHORT = 0.6, 1.0, 0.12


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class CueMarks:
    """A cue in a picture. line : (n, 2), the thing or edge; spot : (2,), where to look"""

    line: Floats
    spot: Floats

    def turned(self, about: float) -> "CueMarks":
        flip, shift = np.array([-1.0, 1.0]), np.array([2 * about, 0.0])
        return CueMarks(line=self.line * flip + shift, spot=self.spot * flip + shift)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Pictured:
    """marks : in the view; glass, in_glass : the mirror by itself and the cue in it; None where
    the cue is seen directly
    """

    view: View
    marks: CueMarks | None
    glass: Glass | None
    in_glass: CueMarks | None

    def mirrored(self) -> "Pictured":
        return Pictured(
            view=self.view.mirrored(),
            marks=None if self.marks is None else self.marks.turned(WIDTH / 2),
            glass=None if self.glass is None else self.glass.mirrored(),
            in_glass=None if self.in_glass is None else self.in_glass.turned(0.0),
        )


def camera_for(vehicle: Vehicle, cue: Cue) -> Camera:
    """Looks at the glass that the cue stands in, from the eye that sees it."""
    seen = cue.sighting
    bearing = seen.bearing
    if mirror_of(vehicle, cue) is not None:
        bearing -= np.copysign(_ASIDE, bearing)
    return Camera(eye=seen.eye, bearing=bearing, pitch=_DOWN, focal=_FOCAL)


def mirror_of(vehicle: Vehicle, cue: Cue) -> Mirror | None:
    if not cue.sighting.told.of_glass:
        return None
    return next(m for m in vehicle.mirrors if m.name == cue.sighting.through)


def pictured(viewer: Viewer, pose: Floats, cue: Cue) -> Pictured:
    """What the driver sees of a cue from a pose (3,) on the site."""
    vehicle = viewer.vehicle
    camera, mirror = camera_for(vehicle, cue), mirror_of(vehicle, cue)
    view = viewer.view(pose, camera)
    places = _cue_line(pose, cue)
    at = np.array([cue.sighting.x, cue.sighting.y, cue.sighting.z])
    if mirror is None:
        line = camera.flat(places[_through(vehicle, camera.eye, places)])
        marks = CueMarks(line=line, spot=camera.flat(at[None])[0])
        return Pictured(view=view, marks=marks, glass=None, in_glass=None)
    image = image_of(mirror, cue.sighting.eye, places)
    image = image[intersects_xy(mirror.face, image[:, 0], image[:, 1])]
    spot = on_glass(mirror, at[None])[0]
    small = mirror_frame(camera, mirror, np.vstack((image, spot[None])))
    return Pictured(
        view=view,
        marks=CueMarks(line=small[:-1], spot=small[-1]),
        glass=viewer.glass(pose, mirror),
        in_glass=CueMarks(line=image, spot=spot),
    )


def _through(vehicle: Vehicle, eye: Floats, places: Floats) -> Bools:
    """Which places (n, 3) show through any pane."""
    hits = np.array([pane_hits(pane, eye, places)[:, 0] for pane in vehicle.glass])
    return np.asarray(~np.isnan(hits).all(axis=0) & ~beyond_glass(vehicle, eye, places))


def _cue_line(pose: Floats, cue: Cue) -> Floats:
    """The thing's upright edge or a stretch of the edge on the ground, (n, 3) m in the vehicle."""
    at = to_body(pose, cue.target[None])[0]
    if cue.upright:
        top = max(min(cue.height, _TALL), _SHORT)
        return np.array([(*at, z) for z in np.linspace(0.02, top, 24)])
    along = np.array([np.cos(cue.runs - pose[2]), np.sin(cue.runs - pose[2])])
    return np.array([(*(at + by * along), 0.0) for by in np.linspace(-_STRETCH, _STRETCH, 24)])
