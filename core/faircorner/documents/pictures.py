"""Pictures as documents: polygons as x, y, x, y … in the picture's units, y downward."""

from collections.abc import Callable
from math import radians
from typing import Annotated, Any

import numpy as np
from pydantic import Field

from faircorner.documents.ground import GroundDocument
from faircorner.documents.sights import PoseModel
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.errors import InputError
from faircorner.model import Model, Name, inside
from faircorner.picture import HEIGHT, WIDTH, Camera, Glass, Part, View, Viewer, place_of
from faircorner.plane import Floats, mirrored
from faircorner.said import Said
from faircorner.sides import turned_back, turned_in
from faircorner.sight import Seat, mirrors_set
from faircorner.vehicle import Mirror, Vehicle

__all__ = [
    "PictureRequest",
    "flat",
    "glass_document",
    "on_glass",
    "parts_document",
    "seen_document",
    "view_document",
]

# How wide a mirror's glass is drawn by itself, in the picture's units.
_GLASS = 260.0
_FOCAL = 400.0


class LookModel(Model):
    """Where the driver looks: degrees left of straight ahead, and up.

    back : whether with the eye that is turned to look back
    """

    bearing_deg: Annotated[float, Field(ge=-180, le=180)] = 0.0
    pitch_deg: Annotated[float, Field(ge=-60, le=60)] = -9.0
    back: bool = False


class PictureRequest(Model):
    """Where a vehicle stands, and which way its driver looks from it.

    mirror : one that is drawn by itself as well; null for none
    """

    vehicle: VehicleDocument
    seat: SeatDocument
    ground: GroundDocument
    pose: PoseModel
    look: LookModel = LookModel()
    mirror: Name | None = None


def seen_document(request: PictureRequest) -> dict[str, Any]:
    """The picture, and the mirror by itself where one is asked for; InputError for another's."""
    with inside("vehicle"):
        vehicle = request.vehicle.build()
    with inside("seat"):
        seat = request.seat.build()
    with inside("ground"):
        ground = request.ground.build()
    side = ground.side
    at, look = request.pose, request.look
    stood = np.array([at.x_m, at.y_m, radians(at.heading_deg)])
    pose, sign = (stood, 1.0) if side == "left" else (mirrored(stood), -1.0)
    driver = turned_in(side, seat)
    car = mirrors_set(turned_in(side, vehicle), driver)
    viewer = Viewer(car, driver, place_of(turned_in(side, ground)))
    camera = Camera(
        eye=_eye(driver, back=look.back), bearing=sign * radians(look.bearing_deg),
        pitch=radians(look.pitch_deg), focal=_FOCAL,
    )  # fmt: skip
    view = turned_back(side, viewer.view(pose, camera))
    found = view_document(view)
    if request.mirror is None:
        return {**found, "glass": None}
    glass = turned_back(side, viewer.glass(pose, _named(car, request.mirror)))
    return {**found, "glass": glass_document(glass)}


def _eye(seat: Seat, *, back: bool) -> Floats:
    if not back:
        return seat.eye
    if seat.looking_back is None:
        raise InputError("look.back", Said("needs an eye that looks back"))
    return seat.looking_back


def _named(vehicle: Vehicle, name: str) -> Mirror:
    for mirror in vehicle.mirrors:
        if mirror.name == name:
            return mirror
    known = ", ".join(mirror.name for mirror in vehicle.mirrors) or "none"
    raise InputError("mirror", Said("is not one of", name=name, known=known))


def view_document(view: View) -> dict[str, Any]:
    return {
        "size": [WIDTH, HEIGHT],
        "outside": parts_document(view.outside),
        "panes": [flat(pane) for pane in view.panes],
        "cabin": parts_document(view.cabin),
        "hung": parts_document(view.hung),
    }


def parts_document(parts: tuple[Part, ...]) -> list[dict[str, Any]]:
    return [{"kind": part.kind, "name": part.name, "points": flat(part.points)} for part in parts]


def flat(points: Floats) -> list[float]:
    return [float(v) for v in np.round(points, 1).ravel()]


def on_glass(glass: Glass) -> Callable[[Floats], Floats]:
    """From across and up in m to a glass's own picture: from its upper left, as it is drawn."""
    low, high = glass.outline.min(axis=0), glass.outline.max(axis=0)
    scale = _GLASS / float(high[0] - low[0])
    return lambda points: np.column_stack((points[:, 0] - low[0], high[1] - points[:, 1])) * scale


def glass_document(glass: Glass) -> dict[str, Any]:
    """A mirror by itself, in units of its own."""
    placed = on_glass(glass)
    parts = tuple(
        Part(kind=part.kind, name=part.name, points=placed(part.points)) for part in glass.parts
    )
    outline = placed(glass.outline)
    return {
        "name": glass.name,
        "size": [_GLASS, round(float(outline[:, 1].max()), 1)],
        "outline": flat(outline),
        "parts": parts_document(parts),
    }
