"""Where a driver's eye is when nobody, or not every tape, has said so. docs/sums/seat.md."""

from dataclasses import dataclass
from typing import Annotated, Any

import numpy as np
from pydantic import Field

from faircorner.documents.usual import (
    BODIES,
    Body,
    BodyShape,
    Measures,
    Slip,
    VehicleClass,
    slips,
    usual_eye,
)
from faircorner.documents.vehicle import EyeBy, VehicleDocument
from faircorner.errors import InputError
from faircorner.model import Metres, Model
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sides import Side
from faircorner.sight import TAPED

__all__ = ["FoundEye", "SeatRequest", "eye_document", "find_eye"]

# The usual eye is that of somebody so tall, m, the seat in its middle notch.
_STATURE = 1.70
# Of what somebody is taller, so much is between seat and eye; it leans back by so much, rad.
_TRUNK, _LEAN = 0.45, np.radians(22)
# Where nobody says how the seat is set, longer legs move it back by so much of that, too.
_LEGS = 0.45
# How far apart the notches of a seat are, m; of one that is raised, likewise.
_NOTCH, _RAISED = 0.02, 0.015
# What is left open along x, y and z: by readings that were not taken, and by a body's height with
# the notches told and without, m.
_BESIDE = 0.04
_NOTCHED, _UNTOLD = (0.04, 0.04, 0.03), (0.06, 0.04, 0.035)
_BODY_OF: dict[VehicleClass, BodyShape] = {
    "car": "small hatch", "van": "van", "rigid": "rigid", "bus": "bus", "tractor": "day cab"
}  # fmt: skip


class SeatRequest(Model):
    """What was measured of an eye: tape, or how tall the person is and how the seat is set.

    above, behind, beside : m above the ground, behind the front axle, off the middle
    stature : m; back, up : notches from the seat's middle, None where nobody looked
    """

    driver: Side = "right"
    above_m: Metres | None = None
    behind_m: Metres | None = None
    beside_m: Metres | None = None
    stature_m: Annotated[float, Field(ge=1.2, le=2.3)] | None = None
    back: Annotated[int, Field(ge=-20, le=20)] | None = None
    up: Annotated[int, Field(ge=-20, le=20)] | None = None


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class FoundEye:
    """eye : (3,), m in the vehicle's frame; uncertain : (3,), m; slips : of its readings"""

    eye: Floats
    by: EyeBy
    uncertain: Floats
    slips: tuple[Slip, ...]


def find_eye(vehicle: VehicleDocument, asked: SeatRequest) -> FoundEye:
    """The eye as it was taped, what is left open as it usually is; else from the body's height.

    Raises InputError where neither height and distance were taped nor anybody said how tall.
    """
    usual = usual_eye(_body(vehicle), _measures(vehicle), asked.driver)
    if asked.above_m is not None and asked.behind_m is not None:
        return _taped(asked, usual, vehicle.wheelbase_m, asked.above_m, asked.behind_m)
    if asked.stature_m is None:
        raise InputError("above_m", Said("tape the eye or say how tall"))
    taller = asked.stature_m - _STATURE
    back = asked.back is not None
    legs = _NOTCH * asked.back if asked.back is not None else _LEGS * taller
    behind = np.sin(_LEAN) * _TRUNK * taller + legs
    above = np.cos(_LEAN) * _TRUNK * taller + _RAISED * (asked.up or 0)
    return FoundEye(
        eye=usual + (-behind, 0.0, above),
        by="body height",
        uncertain=np.array(_NOTCHED if back else _UNTOLD),
        slips=(),
    )


def eye_document(found: FoundEye) -> dict[str, Any]:
    """The part of a seat's document that it makes, and the slips beside it."""
    return {
        "eye": _place(found.eye),
        "eye_by": found.by,
        "uncertain_m": _place(found.uncertain),
        "slips": [slip.document() for slip in found.slips],
    }


def _place(at: Floats) -> dict[str, float]:
    return {f"{axis}_m": round(float(v), 3) for axis, v in zip("xyz", at, strict=True)}


def _taped(
    asked: SeatRequest, usual: Floats, wheelbase: float, above: float, behind: float
) -> FoundEye:
    side = 1.0 if asked.driver == "left" else -1.0
    beside = abs(float(usual[1])) if asked.beside_m is None else asked.beside_m
    given = {"above_m": above, "behind_m": behind}
    known = {"above_m": float(usual[2]), "behind_m": wheelbase - float(usual[0])}
    return FoundEye(
        eye=np.array([wheelbase - behind, side * beside, above]),
        by="two readings" if asked.beside_m is None else "tape",
        uncertain=np.array([TAPED, _BESIDE if asked.beside_m is None else TAPED, TAPED]),
        # Ahead of the front axle, as in a bus, a share of the usual says nothing.
        slips=tuple(slips(given, {n: v for n, v in known.items() if v > 0.3})),
    )


def _body(vehicle: VehicleDocument) -> Body:
    return BODIES[vehicle.shape or _BODY_OF[vehicle.kind]]


def _measures(vehicle: VehicleDocument) -> Measures:
    return Measures(**{name: getattr(vehicle, f"{name}_m") for name in Measures.__slots__})
