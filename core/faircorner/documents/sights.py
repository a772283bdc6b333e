"""What of places on a site shows to a driver: the answer to a request to see."""

from math import radians
from typing import Annotated, Any

import numpy as np
from pydantic import Field

from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.model import Metres, Model, Name, inside
from faircorner.plane import to_body
from faircorner.sight import mirrors_set, shown

__all__ = ["SightRequest", "sight_document"]


class PoseModel(Model):
    x_m: float
    y_m: float
    heading_deg: float


class TargetModel(Model):
    """A place on the site, at a height."""

    name: Name
    x_m: float
    y_m: float
    z_m: Metres


class SightRequest(Model):
    """Where the vehicle stands, and what is looked for from it."""

    vehicle: VehicleDocument
    seat: SeatDocument
    pose: PoseModel
    targets: Annotated[list[TargetModel], Field(min_length=1, max_length=2000)]


def sight_document(request: SightRequest) -> dict[str, Any]:
    """Every pane and mirror in which each target shows, and the targets that show in none."""
    with inside("vehicle"):
        vehicle = request.vehicle.build()
    with inside("seat"):
        seat = request.seat.build()
    vehicle, at = mirrors_set(vehicle, seat), request.pose
    pose = np.array([at.x_m, at.y_m, radians(at.heading_deg)])
    sights: list[dict[str, Any]] = []
    hidden: list[str] = []
    for target in request.targets:
        x, y = to_body(pose, np.array([[target.x_m, target.y_m]]))[0]
        found = shown(vehicle, seat, np.array([x, y, target.z_m]))
        sights += [
            {
                "target": target.name,
                "through": one.through,
                "kind": one.kind,
                "hit": {
                    f"{axis}_m": round(float(m), 5) for axis, m in zip("xyz", one.hit, strict=True)
                },
                "eye": "back" if one.turned else "forward",
            }
            for one in found
        ]
        if not found:
            hidden.append(target.name)
    return {"sights": sights, "hidden": hidden}
