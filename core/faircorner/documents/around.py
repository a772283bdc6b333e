"""What a driver sees of the ground round a vehicle, as a document."""

from math import degrees
from typing import Any

import numpy as np

from faircorner.documents.figures import figure
from faircorner.documents.usual import more_mirrors
from faircorner.documents.vehicle import VehicleDocument
from faircorner.plane import Floats
from faircorner.sight import BACK, LOOKED, TURN, Seat, around
from faircorner.vehicle import Vehicle

__all__ = ["around_document", "more_mirrors_document"]


def around_document(vehicle: Vehicle, seat: Seat) -> dict[str, Any]:
    """Outlines in the vehicle's frame; heights by rows along x, null under the vehicle."""
    found = around(vehicle, seat)
    return {
        "direct_m": _outlines(found.direct),
        "hidden_m": _outlines(found.hidden),
        "mirrors": [
            {"name": one.name, "said": one.said.document(), "ground_m": _outlines(one.ground),
             "beside": one.beside, "begins_m": figure(one.begins)}
            for one in found.mirrors
        ],
        "camera": None if found.camera is None else {
            "ground_m": _outlines(found.camera.ground), "begins_m": figure(found.camera.begins)},
        "nearest": [
            {"side": one.side, "direct_m": figure(one.direct), "seen_m": figure(one.seen)}
            for one in found.nearest
        ],
        "heights": {
            "corner_m": [round(float(v), 3) for v in found.hiding.corner],
            "step_m": found.hiding.step,
            "tallest_m": found.hiding.tallest,
            "least_m": [[figure(v) for v in row] for row in found.hiding.heights],
        },
        "assumed": {"turn_deg": round(degrees(TURN)), "back_deg": round(degrees(BACK[1])),
                    "looked_m": LOOKED},
        "turned_round": seat.looking_back is not None,
    }  # fmt: skip


def more_mirrors_document(document: VehicleDocument, seat: Seat) -> dict[str, Any]:
    """Mirrors that such a vehicle could have and this one has not, as they usually are.

    Raises InputError naming what of the vehicle cannot be.
    """
    # A kerb-side mirror hangs where the driver does not sit.
    kerb = -1.0 if seat.eye[1] > 0 else 1.0
    return {"mirrors": more_mirrors(document.build(), heavy=document.kind != "car", kerb=kerb)}


def _outlines(outlines: tuple[Floats, ...]) -> list[list[list[float]]]:
    return [np.round(one, 2).tolist() for one in outlines]
